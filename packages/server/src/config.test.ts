import { BadEnvironment, readConfig } from './config';

describe('the environment', () => {
  it('may be empty', () => {
    expect(readConfig({}, '/app')).toEqual({
      port: 4173,
      host: '127.0.0.1',
      dataFolder: '/app/data',
      fixedNow: undefined,
      allowedHosts: [],
      share: false,
      shareAddresses: undefined,
      samplesFirstTime: false,
      logLevel: 'info',
      logRequests: false,
    });
    expect(readConfig({ PORT: '', FIXATUM_NOW: '' }, '/app')).toMatchObject({
      port: 4173,
      fixedNow: undefined,
    });
  });

  it('sets everything', () => {
    expect(
      readConfig(
        {
          PORT: '4200',
          HOST: '::1',
          FIXATUM_DATA: '/data',
          FIXATUM_NOW: '2027-02-20T19:30',
          FIXATUM_HOSTS: 'workshop.local, bench',
          FIXATUM_SHARE: 'yes',
          FIXATUM_SHARE_ADDRESSES: '127.0.0.2',
          FIXATUM_SAMPLES: 'first-time',
          FIXATUM_LOG: 'warn',
          FIXATUM_LOG_REQUESTS: 'yes',
        },
        '/app',
      ),
    ).toEqual({
      port: 4200,
      host: '::1',
      dataFolder: '/data',
      fixedNow: '2027-02-20T19:30',
      allowedHosts: ['workshop.local', 'bench'],
      share: true,
      shareAddresses: ['127.0.0.2'],
      samplesFirstTime: true,
      logLevel: 'warn',
      logRequests: true,
    });
  });

  it.each([
    [{ PORT: 'many' }, 'PORT is "many"; give a number up to 65535.'],
    [{ PORT: '70000' }, 'PORT is "70000"; give a number up to 65535.'],
    [
      { FIXATUM_NOW: '2027-02-30T19:30' },
      'FIXATUM_NOW is "2027-02-30T19:30"; write a moment as 2027-02-20T19:30.',
    ],
    [
      { FIXATUM_LOG: 'loud', FIXATUM_LOG_REQUESTS: 'maybe' },
      'FIXATUM_LOG is "loud"; choose one of silent, fatal, error, warn, info, debug.\nFIXATUM_LOG_REQUESTS is "maybe"; say yes or no.',
    ],
  ])('is refused in plain words: %o', (environment, sentence) => {
    expect(() => readConfig(environment, '/app')).toThrow(new BadEnvironment(sentence));
  });
});
