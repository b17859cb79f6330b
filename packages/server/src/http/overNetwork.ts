const overNetwork = new WeakSet<object>();

/** Notes that a connection came in over the network, as against from this machine. */
export const markOverNetwork = (socket: object): void => void overNetwork.add(socket);
export const cameOverNetwork = (socket: object): boolean => overNetwork.has(socket);
