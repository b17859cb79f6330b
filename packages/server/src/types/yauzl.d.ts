import type { Readable } from 'node:stream';

// What the package has had since its third version, and its types do not say yet.
declare module 'yauzl' {
  interface ZipFile {
    eachEntry(): AsyncIterable<Entry>;
    openReadStreamPromise(entry: Entry): Promise<Readable>;
  }
  function openPromise(path: string, options?: Options): Promise<ZipFile>;
}
