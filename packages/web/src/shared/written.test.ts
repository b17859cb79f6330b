import { ref } from 'vue';
import { readTime } from './moments';
import { useWritten } from './written';

const field = (value: string) => {
  const time = ref(value);
  return { time, ...useWritten(time, { read: readTime, say: (one) => one }) };
};

describe('useWritten', () => {
  it('leaves the text alone while it is written, and shows the value in full afterwards', () => {
    const { time, text, wrong, enter, leave } = field('19:00');
    enter();
    text.value = '7.30 pm';
    expect([time.value, text.value, wrong.value]).toEqual(['19:30', '7.30 pm', false]);
    leave();
    expect([time.value, text.value]).toEqual(['19:30', '19:30']);
  });

  it('keeps what can’t be read as it was written, and says so once it is left', () => {
    const { time, text, wrong, enter, leave } = field('19:00');
    enter();
    text.value = ' teatime';
    expect(wrong.value).toBe(false);
    leave();
    expect([time.value, text.value, wrong.value]).toEqual(['teatime', 'teatime', true]);
  });

  it('shows what comes in from elsewhere while nobody is at it', () => {
    const { time, text } = field('19:00');
    time.value = '20:00';
    expect(text.value).toBe('20:00');
  });

  it('is empty, and not wrong, when it is cleared', () => {
    const { time, text, wrong, leave } = field('19:00');
    text.value = null;
    leave();
    expect([time.value, wrong.value]).toEqual(['', false]);
  });
});
