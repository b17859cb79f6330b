const LOOPBACK = /^(localhost|127\.[\d.]+|::1|\[::1\])$/;
const EVERYWHERE = new Set(['0.0.0.0', '::', '[::]']);

/**
 * Who can reach a server that listens on an address, in a sentence for whoever starts it; undefined where only this machine can.
 * @param here this machine's addresses on its networks
 */
export function whoReaches(host: string, here: readonly string[]): string | undefined {
  if (LOOPBACK.test(host)) return undefined;
  const where = EVERYWHERE.has(host)
    ? here.length === 0
      ? 'every network it is ever connected to'
      : `every network this computer is on (${here.join(', ')}), and any it is connected to later`
    : `the network of ${host}`;
  return (
    `HOST=${host}: devices on ${where} can reach it. They see nothing until they are paired in Workshop, “Phones and helpers”, ` +
    'and nothing between them and this computer is encrypted.'
  );
}
