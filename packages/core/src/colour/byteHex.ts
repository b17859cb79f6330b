/** `#rrggbb` of three channels of 255; what rounding puts outside of that stays within. */
export const byteHex = (channels: readonly number[]): string =>
  `#${channels
    .map((one) =>
      Math.max(0, Math.min(255, Math.round(one)))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
