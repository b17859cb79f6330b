import { resolve } from 'node:path';
import { toEpochMinute } from '@fixatum/core';
import { z } from 'zod';

const levels = ['silent', 'fatal', 'error', 'warn', 'info', 'debug'] as const;

/** Everything the server takes from its environment, with what it is when nothing is said. */
const environmentSchema = z.object({
  PORT: z.coerce
    .number('give a number up to 65535')
    .int('give a whole number up to 65535')
    .min(0, 'give a number up to 65535')
    .max(65_535, 'give a number up to 65535')
    .default(4173),
  HOST: z.string().min(1, 'give an address such as 127.0.0.1').default('127.0.0.1'),
  FIXATUM_DATA: z.string().min(1, 'name a folder').optional(),
  FIXATUM_NOW: z
    .string()
    .refine((wall) => toEpochMinute(wall, 'UTC') !== undefined, 'write a moment as 2027-02-20T19:30')
    .optional(),
  FIXATUM_HOSTS: z.string().default(''),
  FIXATUM_SHARE: z
    .enum(['yes', 'no'], 'say yes or no')
    .default('no')
    .transform((said) => said === 'yes'),
  FIXATUM_SHARE_ADDRESSES: z.string().optional(),
  FIXATUM_SAMPLES: z.literal('first-time', 'the only word it takes is first-time').optional(),
  FIXATUM_LOG: z.enum(levels, `choose one of ${levels.join(', ')}`).default('info'),
  FIXATUM_LOG_REQUESTS: z
    .enum(['yes', 'no'], 'say yes or no')
    .default('no')
    .transform((said) => said === 'yes'),
});

export interface Config {
  port: number;
  host: string;
  dataFolder: string;
  /** Wall time the clock stands at; undefined for the machine's own clock. */
  fixedNow: string | undefined;
  allowedHosts: string[];
  /** Whether the network can reach the server from the start; it can be switched in the app. */
  share: boolean;
  /** The addresses to share on; all of this machine's networks when undefined. */
  shareAddresses: string[] | undefined;
  /** Whether a data folder that was never used gets the sample builds. */
  samplesFirstTime: boolean;
  logLevel: (typeof levels)[number];
  /** Whether every request gets a line in the log. */
  logRequests: boolean;
}

const listed = (names: string): string[] =>
  names
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);

/** A setting in the environment that can't be used; the message is a sentence for whoever starts the server. */
export class BadEnvironment extends Error {}

/**
 * Reads the environment once, at start. An empty variable counts as not set.
 * @param root the folder of the project, in which data lies unless it is told otherwise
 * @throws BadEnvironment naming every variable that can't be used, what it is, and what it should be
 */
export function readConfig(environment: Readonly<Record<string, string | undefined>>, root: string): Config {
  const set = Object.fromEntries(Object.entries(environment).filter(([, value]) => value !== ''));
  const parsed = environmentSchema.safeParse(set);
  if (!parsed.success)
    throw new BadEnvironment(
      parsed.error.issues
        .map(({ path, message }) => `${String(path[0])} is "${set[String(path[0])]}"; ${message}.`)
        .join('\n'),
    );
  const { data } = parsed;
  return {
    port: data.PORT,
    host: data.HOST,
    dataFolder: resolve(data.FIXATUM_DATA ?? resolve(root, 'data')),
    fixedNow: data.FIXATUM_NOW,
    allowedHosts: listed(data.FIXATUM_HOSTS),
    share: data.FIXATUM_SHARE,
    shareAddresses:
      data.FIXATUM_SHARE_ADDRESSES === undefined ? undefined : listed(data.FIXATUM_SHARE_ADDRESSES),
    samplesFirstTime: data.FIXATUM_SAMPLES !== undefined,
    logLevel: data.FIXATUM_LOG,
    logRequests: data.FIXATUM_LOG_REQUESTS,
  };
}
