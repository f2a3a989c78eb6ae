import { canSpeak, speak } from './speak';

const said: string[] = [];
const cancel = jest.fn();
const voices = { list: [] as unknown[] };

function withVoice() {
  Object.assign(globalThis, {
    SpeechSynthesisUtterance: class {
      lang = '';
      constructor(readonly text: string) {}
    },
    speechSynthesis: {
      cancel,
      getVoices: () => voices.list,
      speak: ({ text, lang }: { text: string; lang: string }) => said.push(`${lang}: ${text}`),
    },
  });
}
afterEach(() => {
  delete (globalThis as { speechSynthesis?: unknown }).speechSynthesis;
  said.length = 0;
});

test('a browser without speech stays silent, and says that it cannot', () => {
  expect(canSpeak()).toBe(false);
  expect(() => speak('Left 62')).not.toThrow();
});

test('a number is said, and cuts off the one before', () => {
  withVoice();
  speak('Left 62');
  expect(said).toEqual(['en: Left 62']);
  expect(cancel).toHaveBeenCalled();
});

test('speech without a voice is no voice', () => {
  withVoice();
  expect(canSpeak()).toBe(false);
  voices.list = [{}];
  expect(canSpeak()).toBe(true);
});
