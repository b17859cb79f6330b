/** The air round a coat at one moment. */
export interface Air {
  temperatureC: number;
  humidityPct: number;
}

/** The air that label times are meant for (docs/domain.md, "The drying model"). */
export const referenceAir: Air = { temperatureC: 21, humidityPct: 50 };

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/**
 * Saturation vapour pressure over water in hPa, Magnus form: `6.112·exp(17.62·T/(243.12+T))`.
 * @example saturationPressureHpa(21) // about 24.85
 */
export function saturationPressureHpa(temperatureC: number): number {
  return 6.112 * Math.exp((17.62 * temperatureC) / (243.12 + temperatureC));
}

/** How much more water the air can take, hPa: the vapour-pressure deficit. */
export function vapourPressureDeficitHpa(air: Air): number {
  return saturationPressureHpa(air.temperatureC) * (1 - air.humidityPct / 100);
}

/** The temperature at which this air would start to wet a surface, °C: the Magnus form turned round. */
export function dewPointC(air: Air): number {
  const humidity = Math.max(air.humidityPct, 0.1) / 100;
  const gamma = Math.log(humidity) + (17.62 * air.temperatureC) / (243.12 + air.temperatureC);
  return (243.12 * gamma) / (17.62 - gamma);
}

const referenceDeficitHpa = vapourPressureDeficitHpa(referenceAir);

/** Water-borne coats, touch and recoat: the air takes water in step with its deficit, within 0.05 to 3. */
export const waterEarlyRate = (air: Air): number =>
  clamp(vapourPressureDeficitHpa(air) / referenceDeficitHpa, 0.05, 3);

/** Water-borne coats, later milestones: `2^((T−21)/10)·√clamp((100−RH)/50, 0.1, 2)`. */
export const waterLateRate = (air: Air): number =>
  2 ** ((air.temperatureC - 21) / 10) * Math.sqrt(clamp((100 - air.humidityPct) / 50, 0.1, 2));

/** Solvent-borne coats: `1.7^((T−21)/10)`. */
export const solventRate = (air: Air): number => 1.7 ** ((air.temperatureC - 21) / 10);

/** Two-part coats, Arrhenius with 55 kJ/mol: `exp(55000/8.314·(1/294.15 − 1/(T+273.15)))`. */
export const twoPartRate = (air: Air): number =>
  Math.exp((55_000 / 8.314) * (1 / 294.15 - 1 / (air.temperatureC + 273.15)));
