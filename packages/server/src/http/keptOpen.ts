/**
 * So long a connection that nobody uses is kept open, ms: longer than whoever calls keeps it, so that it is never closed beneath a request
 * that is just being sent.
 */
export const KEPT_OPEN_MS = 75_000;
