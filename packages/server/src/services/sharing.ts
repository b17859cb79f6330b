import { createServer, type RequestListener, type Server } from 'node:http';
import { networkInterfaces } from 'node:os';
import { KEPT_OPEN_MS } from '../http/keptOpen';
import { markOverNetwork } from '../http/overNetwork';

/** The addresses this machine has on networks it is connected to, as names in a URL. */
export const networkAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address);

/** Listens on the network as well as on this machine, for as long as somebody wants it. Off means that nothing listens there. */
export class Sharing {
  private servers: { server: Server; address: string }[] = [];

  /**
   * @param answer what answers requests
   * @param port asked when sharing begins, as it may be known only then
   * @param addresses where to listen; asked anew each time, as networks come and go
   */
  constructor(
    private readonly answer: RequestListener,
    private readonly port: () => number,
    private readonly addresses: () => readonly string[] = networkAddresses,
  ) {}

  get isOn(): boolean {
    return this.servers.length > 0;
  }

  /** Where phones find it; empty while it is off. */
  get urls(): string[] {
    return this.servers.map(({ address }) => `http://${address}:${this.port()}`);
  }

  /** Begins to listen. Addresses that can't be listened on are left out; none at all is no sharing. */
  async begin(): Promise<void> {
    if (this.isOn) return;
    const all = await Promise.all(this.addresses().map((address) => this.listen(address)));
    this.servers = all.flatMap((one) => one ?? []);
  }

  private listen(address: string): Promise<{ server: Server; address: string } | undefined> {
    return new Promise((done) => {
      const server = createServer(this.answer);
      server.keepAliveTimeout = KEPT_OPEN_MS;
      server.on('connection', markOverNetwork);
      server.once('error', () => done(undefined));
      server.listen(this.port(), address, () => done({ server, address }));
    });
  }

  /** Stops at once: whatever is open is cut. */
  async end(): Promise<void> {
    const { servers } = this;
    this.servers = [];
    await Promise.all(
      servers.map(
        ({ server }) =>
          new Promise<void>((done) => {
            server.close(() => done());
            server.closeAllConnections();
          }),
      ),
    );
  }
}
