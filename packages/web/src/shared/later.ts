import { defineAsyncComponent, type AsyncComponentLoader, type Component } from 'vue';
import { useNotice } from './notice';

/** A part that can't be had is asked for again after so long, and so often at most: five minutes. */
const ASK_AGAIN_MS = 5000;
const ASK_AT_MOST = 60;

/**
 * A part of a screen that is loaded when it is first shown, such as a dialog. Where it can't be had, as the server does not answer, that is said, and
 * it is asked for again: it opens by itself.
 */
export const later = (loader: AsyncComponentLoader): Component =>
  defineAsyncComponent({
    loader,
    onError: (_error, retry, fail, attempts) => {
      if (attempts === 1)
        useNotice().say(
          'This part of the screen can not be loaded just now. It opens by itself once it can.',
        );
      if (attempts <= ASK_AT_MOST) setTimeout(retry, ASK_AGAIN_MS);
      else fail();
    },
  });
