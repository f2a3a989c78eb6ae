import { chime, unlockSound } from './chime';

test('sound is made once, woken by a tap, and rung by it later', () => {
  const made: FakeSound[] = [];
  class FakeSound {
    state = 'suspended';
    currentTime = 0;
    destination = {};
    rung = 0;
    constructor() {
      made.push(this);
    }
    resume = async () => {
      this.state = 'running';
    };
    createOscillator = () => ({
      frequency: { value: 0 },
      connect: (next: unknown) => next,
      start: () => (this.rung += 1),
      stop: () => undefined,
    });
    createGain = () => ({
      gain: { setValueAtTime: () => undefined, exponentialRampToValueAtTime: () => undefined },
      connect: (next: unknown) => next,
    });
  }
  // Where there is none, nothing happens.
  expect(() => chime()).not.toThrow();
  Object.assign(window, { AudioContext: FakeSound });
  unlockSound();
  expect(made).toHaveLength(1);
  expect(made[0]!.state).toBe('running');
  chime(0.1);
  chime(0.1);
  expect([made.length, made[0]!.rung]).toEqual([1, 4]);
});
