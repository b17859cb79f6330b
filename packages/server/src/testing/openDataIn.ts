import { pino } from 'pino';
import { makeClock } from '../services/clock';
import { Sharing } from '../services/sharing';
import { OpenData } from '../openData';
import { samplesFolder } from './appParts';

/** A workshop on a data folder, as the program opens one: at the demo's moment, silent, on no network. */
export const openDataIn = (dataFolder: string): OpenData =>
  new OpenData({
    dataFolder,
    samplesFolder,
    allowedHosts: [],
    clock: makeClock('2027-02-20T19:30'),
    log: pino({ level: 'silent' }),
    logRequests: false,
    sharing: new Sharing(
      () => undefined,
      () => 0,
      () => [],
    ),
  });
