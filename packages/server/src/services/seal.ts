import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { open, stat } from 'node:fs/promises';
import { Transform } from 'node:stream';

// A zip ends with a record of 22 bytes and a comment. Ours holds the SHA-256 of every byte before the comment: a zip by itself guards the
// contents of its files, not what it says of them.
const END_RECORD_BYTES = 22;
const END_RECORD = 0x504b0506;
const WORD = 'fixatum sha256 ';
const HASH_LETTERS = 64;
const COMMENT_BYTES = WORD.length + HASH_LETTERS;

/** The comment a zip is ended with, before its hash is known. */
export const UNSEALED = WORD + '0'.repeat(HASH_LETTERS);

/** Puts the hash of all that went through it into the comment at the end of a zip that ends with `UNSEALED`. */
export function seal(): Transform {
  const hash = createHash('sha256');
  /** The last bytes so far, which may be the comment. */
  let tail: Buffer = Buffer.alloc(0);
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      tail = Buffer.concat([tail, chunk]);
      const passed = tail.subarray(0, Math.max(0, tail.length - COMMENT_BYTES));
      tail = tail.subarray(passed.length);
      hash.update(passed);
      done(null, passed);
    },
    flush(done) {
      done(
        tail.toString('latin1') === UNSEALED ? null : new Error('What was to be sealed is no zip of ours.'),
        Buffer.from(WORD + hash.digest('hex'), 'latin1'),
      );
    },
  });
}

/**
 * Whether a zip file is byte for byte as it was sealed: `none` for one that was made without a seal, as those of earlier versions were.
 */
export async function checkSeal(file: string): Promise<'whole' | 'changed' | 'none'> {
  const { size } = await stat(file);
  const bytes = Buffer.alloc(Math.min(size, END_RECORD_BYTES + COMMENT_BYTES));
  const handle = await open(file);
  try {
    await handle.read(bytes, 0, bytes.length, size - bytes.length);
  } finally {
    await handle.close();
  }
  // What is no zip, or was cut off, or has no comment or another one, was not sealed.
  if (bytes.length < END_RECORD_BYTES + COMMENT_BYTES || bytes.readUInt32BE() !== END_RECORD) return 'none';
  const comment = bytes.subarray(END_RECORD_BYTES).toString('latin1');
  const said = comment.slice(WORD.length);
  if (!comment.startsWith(WORD) || !/^[0-9a-f]{64}$/.test(said)) return 'changed';
  const hash = createHash('sha256');
  for await (const chunk of createReadStream(file, { end: size - COMMENT_BYTES - 1 }))
    hash.update(chunk as Buffer);
  return hash.digest('hex') === said ? 'whole' : 'changed';
}
