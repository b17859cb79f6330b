import { sure } from '@fixatum/core';
import { createHash, randomBytes, randomInt } from 'node:crypto';
import { nanoid } from 'nanoid';
import { z } from 'zod';
import type { DeviceRow, Models } from '../storage/models';

/** A finisher may do everything; a helper sees it all, and logs, times and photographs what is done. */
export const roles = ['finisher', 'helper'] as const;
export type Role = (typeof roles)[number];

export interface Device {
  id: string;
  name: string;
  role: Role;
  pairedAt: string;
  lastSeenAt: string;
}

/** A code with which one device may ask, once. */
export interface Offer {
  code: string;
  role: Role;
  /** Until when it can be used, as an instant. */
  until: string;
}

/** A device that has said the code, and waits for a press at the computer. */
export type Asking = Pick<Device, 'id' | 'name' | 'role'>;

/** A code is good for so long, */
const OFFER_MINUTES = 10;
/** and goes after so many wrong guesses, whoever made them: a million codes against ten tries. */
const MOST_GUESSES = 10;
/** Somebody has to let it in within so long. */
const ASK_MINUTES = 10;
/** When a device was last seen is written down no oftener than this. */
const SEEN_EVERY_MS = 60_000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const roleSchema = z.enum(roles);
const deviceOf = ({ id, name, role, pairedAt, lastSeenAt }: DeviceRow): Device => ({
  id,
  name,
  role: roleSchema.parse(role),
  pairedAt,
  lastSeenAt,
});

/**
 * The devices that may speak to the server over the network. With a code shown on the screen one of them may ask; let in by a press at the
 * computer, it is known by a token of 256 random bits, of which only the hash is kept. Invariants: a code works once, for ten minutes and ten
 * guesses; nobody is in by a code alone; a device that was taken back is unknown from then on.
 */
export class Devices {
  private offered: (Offer & { guesses: number }) | undefined;
  /** Those that ask, by the hash of what they carry. */
  private readonly waiting = new Map<string, Asking & { until: number; isComingIn?: boolean }>();
  /** By the hash of what they carry; filled when first asked for. */
  private known: Map<string, Device> | undefined;
  private readonly gone = new Set<(id: string) => void>();

  constructor(
    private readonly models: Pick<Models, 'devices'>,
    private readonly nowMs: () => number = Date.now,
  ) {}

  private async byHash(): Promise<Map<string, Device>> {
    this.known ??= new Map(
      (await this.models.devices.findAll({ order: ['pairedAt'] })).map((row) => [
        row.tokenHash,
        deviceOf(row),
      ]),
    );
    return this.known;
  }

  private iso = (ms = this.nowMs()): string => new Date(ms).toISOString();

  async list(): Promise<Device[]> {
    return [...(await this.byHash()).values()];
  }

  /** Offers a code for one device; an earlier one is no longer good. */
  offer(role: Role): Offer {
    const code = String(randomInt(1_000_000)).padStart(6, '0');
    this.offered = { code, role, until: this.iso(this.nowMs() + OFFER_MINUTES * 60_000), guesses: 0 };
    const { until } = this.offered;
    return { code, role, until };
  }

  /** The code that is offered now, if any. */
  get offerNow(): Offer | undefined {
    const { offered } = this;
    if (!offered || Date.parse(offered.until) <= this.nowMs()) return undefined;
    const { code, role, until } = offered;
    return { code, role, until };
  }

  withdraw(): void {
    this.offered = undefined;
  }

  /**
   * Lets a device that knows the code ask to come in; undefined when the code is wrong, used, or too old. What it gets to carry is worth nothing until
   * somebody at the computer lets it in.
   */
  ask(code: string, name: string): { token: string } | undefined {
    const { offered } = this;
    if (!offered || !this.offerNow) return undefined;
    if (offered.code !== code) {
      offered.guesses += 1;
      if (offered.guesses >= MOST_GUESSES) this.withdraw();
      return undefined;
    }
    this.withdraw();
    const token = randomBytes(32).toString('base64url');
    const until = this.nowMs() + ASK_MINUTES * 60_000;
    this.waiting.set(hashOf(token), { id: nanoid(10), name, role: offered.role, until });
    return { token };
  }

  /** The devices that ask to come in. */
  get asking(): Asking[] {
    for (const [hash, { until }] of this.waiting) if (until <= this.nowMs()) this.waiting.delete(hash);
    return [...this.waiting.values()].map(({ id, name, role }) => ({ id, name, role }));
  }

  /** Whether what a device carries is still waited for. */
  isAsking(token: string): boolean {
    return this.asking.length > 0 && this.waiting.has(hashOf(token));
  }

  /** Lets a device in that asks, or turns it away. Returns whether there was one. */
  async answer(id: string, letIn: boolean): Promise<boolean> {
    if (!this.asking.some((one) => one.id === id)) return false;
    const [hash, asked] = sure(
      [...this.waiting].find(([, one]) => one.id === id),
      'a device that asks',
    );
    if (!letIn) {
      this.waiting.delete(hash);
      return true;
    }
    // Pressed twice it is let in once.
    if (asked.isComingIn) return true;
    asked.isComingIn = true;
    const at = this.iso();
    const { name, role } = asked;
    const device: Device = { id, name, role, pairedAt: at, lastSeenAt: at };
    const known = await this.byHash();
    try {
      await this.models.devices.create({ ...device, tokenHash: hash });
      known.set(hash, device);
    } finally {
      // It asks until it is in, so that at no moment it is neither.
      this.waiting.delete(hash);
    }
    return true;
  }

  /** The device that carries a token; undefined for one that was never paired or was taken back. */
  async carrying(token: string): Promise<Device | undefined> {
    const device = (await this.byHash()).get(hashOf(token));
    if (device && this.nowMs() - Date.parse(device.lastSeenAt) >= SEEN_EVERY_MS) {
      device.lastSeenAt = this.iso();
      await this.models.devices.update({ lastSeenAt: device.lastSeenAt }, { where: { id: device.id } });
    }
    return device;
  }

  /** Takes a device back: from now on nobody knows it. Returns whether there was one. */
  async takeBack(id: string): Promise<boolean> {
    const known = await this.byHash();
    const count = await this.models.devices.destroy({ where: { id } });
    for (const [hash, device] of known) if (device.id === id) known.delete(hash);
    for (const tell of this.gone) tell(id);
    return count > 0;
  }

  /** Is told when a device was taken back, so that what it holds open can be closed. */
  whenGone(tell: (id: string) => void): () => void {
    this.gone.add(tell);
    return () => this.gone.delete(tell);
  }
}
