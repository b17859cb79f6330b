import { defineAsyncComponent, type AsyncComponentLoader, type Component } from 'vue';

/** A part of a screen that is loaded when it is first shown, such as a dialog. */
export const later = (load: AsyncComponentLoader): Component => defineAsyncComponent(load);
