/** Ticks once a second. Timers of a page are held back while its tab is in the background; those of a worker are not. */
setInterval(() => self.postMessage(0), 1000);
