import { speakMeasuresAs, speakMomentsAs } from '@fixatum/core';
import { expose } from 'comlink';
import { beside, goFirst } from './besideWork';
import { finish, finishStill, recipes } from './colourWork';
import { forecast } from './forecastWork';
import { glances } from './glanceWork';
import { improve } from './improveWork';
import { margin } from './marginWork';
import { pairs } from './pairWork';
import { compare, plan } from './planWork';
import { rescue } from './rescueWork';
import { costOfStart, instead, setBuild, waysOut } from './waysWork';

/** All heavy computation, in one script that every worker runs: the core is loaded once and kept by the browser. */
const coreWork = {
  plan,
  beside,
  goFirst,
  compare,
  improve,
  margin,
  rescue,
  forecast,
  glances,
  setBuild,
  waysOut,
  costOfStart,
  instead,
  pairs,
  recipes,
  finish,
  finishStill,
  speakMeasuresAs,
  speakMomentsAs,
};
export type CoreWork = typeof coreWork;

expose(coreWork);
