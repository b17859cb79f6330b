import { whoReaches } from './whoReaches';

test.each(['127.0.0.1', 'localhost', '127.1.2.3', '::1'])('%s is this machine only', (host) => {
  expect(whoReaches(host, ['192.0.2.7'])).toBeUndefined();
});

test('everywhere names the networks there are, and says what they get', () => {
  const said = whoReaches('0.0.0.0', ['192.0.2.7', '198.51.100.2']);
  expect(said).toContain('every network this computer is on (192.0.2.7, 198.51.100.2)');
  expect(said).toContain('They see nothing until they are paired');
  expect(whoReaches('::', [])).toContain('every network it is ever connected to');
});

test('one address is one network', () => {
  expect(whoReaches('192.0.2.7', ['192.0.2.7', '198.51.100.2'])).toMatch(
    /^HOST=192\.0\.2\.7: devices on the network of 192\.0\.2\.7 can/,
  );
});
