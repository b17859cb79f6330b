import { storageTrouble, troubleAtStart } from './storageTrouble';

const said = (code: string) => Object.assign(new Error('said by the system'), { code });

describe('why nothing can be written', () => {
  // The codes are those of SQLite (sqlite.org/rescode.html) and of the system (errno).
  it.each([
    ['SQLITE_FULL', 'disk-full', 'The disk with the data is full'],
    ['ENOSPC', 'disk-full', 'The disk with the data is full'],
    ['EDQUOT', 'disk-full', 'The disk with the data is full'],
    ['SQLITE_READONLY', 'read-only', 'The folder with the data can’t be written to'],
    ['SQLITE_CANTOPEN', 'read-only', 'The folder with the data can’t be written to'],
    ['EROFS', 'read-only', 'The folder with the data can’t be written to'],
    ['EACCES', 'read-only', 'The folder with the data can’t be written to'],
    ['EPERM', 'read-only', 'The folder with the data can’t be written to'],
    ['SQLITE_CORRUPT', 'damaged', 'The file with the data is damaged'],
    ['SQLITE_NOTADB', 'damaged', 'The file with the data is damaged'],
    ['SQLITE_IOERR', 'damaged', 'The disk could not be read or written'],
    ['EIO', 'damaged', 'The disk could not be read or written'],
    ['SQLITE_BUSY', 'busy', 'Another program holds the file with the data'],
    ['SQLITE_LOCKED', 'busy', 'Another program holds the file with the data'],
  ])('%s is told as %s', (code, problem, what) => {
    expect(storageTrouble(said(code))).toMatchObject({ code: problem, what });
    // The database layer wraps what its driver says.
    expect(storageTrouble(Object.assign(new Error('wrapped'), { parent: said(code) }))).toMatchObject({
      code: problem,
    });
    expect(troubleAtStart(said(code), '/data')).toMatch(new RegExp(`^${what}: /data\\. [A-Z\`].*\\.$`));
  });

  it.each([new Error('no code'), said('SQLITE_CONSTRAINT'), said('SQLITE_FULL_MOON'), undefined, 'full'])(
    'is not guessed from %p',
    (error) => {
      expect(storageTrouble(error)).toBeUndefined();
      expect(troubleAtStart(error, '/data')).toBeUndefined();
    },
  );
});
