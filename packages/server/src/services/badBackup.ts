/** A backup or an archive that can't be used: a sentence for whoever wants it back. */
export class BadBackup extends Error {}
