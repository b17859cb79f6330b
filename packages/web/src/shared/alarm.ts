import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';

/** What rings: a tone and, where the browser lets us, a notification. Both can be silenced. */
export const useAlarm = defineStore('alarm', () => {
  const sound = useLocalStorage('fixatum-sound', true);
  const notifications = useLocalStorage('fixatum-notifications', false);
  /** Whether the browser could show notifications at all. */
  const canNotify = typeof Notification !== 'undefined';
  let audio: AudioContext | undefined;

  /** Two short tones, higher for an end than for a reminder on the way. */
  function tone(isEnd: boolean): void {
    audio ??= new AudioContext();
    const { currentTime } = audio;
    for (const [n, offset] of [0, 0.28].entries()) {
      const oscillator = audio.createOscillator();
      const gain = audio.createGain();
      oscillator.frequency.value = (isEnd ? 880 : 587) * (n === 0 ? 1 : 1.25);
      gain.gain.setValueAtTime(0.0001, currentTime + offset);
      gain.gain.exponentialRampToValueAtTime(0.3, currentTime + offset + 0.02);
      gain.gain.exponentialRampToValueAtTime(0.0001, currentTime + offset + 0.24);
      oscillator.connect(gain).connect(audio.destination);
      oscillator.start(currentTime + offset);
      oscillator.stop(currentTime + offset + 0.26);
    }
  }

  /** Rings for something that has come: a timer over, a coat dry. */
  function ring(words: string, isEnd = true): void {
    if (sound.value) tone(isEnd);
    if (notifications.value && canNotify && Notification.permission === 'granted')
      new Notification('Fixatum', { body: words, tag: words });
  }

  /** Turns notifications on or off; the browser asks the first time. */
  async function toggleNotifications(): Promise<void> {
    if (notifications.value) {
      notifications.value = false;
      return;
    }
    notifications.value = canNotify && (await Notification.requestPermission()) === 'granted';
  }

  return { sound, notifications, canNotify, ring, toggleNotifications };
});
