import { afterEach, describe, expect, test, vi } from 'vitest';

import { hush, speak } from './speak';

const said: string[] = [];

function device(voices: { localService: boolean; lang: string }[]) {
  const speech = {
    getVoices: () => voices,
    speak: (each: { words: string; voice?: unknown }) => {
      expect(each.voice).toMatchObject({ localService: true });
      said.push(each.words);
    },
    cancel: () => said.push('(hushed)'),
  };
  const Utterance = class {
    voice?: unknown;
    constructor(readonly words: string) {}
  };
  vi.stubGlobal('window', { speechSynthesis: speech });
  vi.stubGlobal('speechSynthesis', speech);
  vi.stubGlobal('SpeechSynthesisUtterance', Utterance);
}

afterEach(() => {
  vi.unstubAllGlobals();
  said.length = 0;
});

describe('what is said aloud', () => {
  test('with a voice of the device, in the language of the page', () => {
    device([
      { localService: true, lang: 'de-DE' },
      { localService: true, lang: 'en-GB' },
    ]);
    speak('thumb soft');
    hush();
    expect(said).toEqual(['thumb soft', '(hushed)']);
  });

  test.each([
    ['only a voice that is asked for elsewhere', [{ localService: false, lang: 'en-US' }]],
    ['only another language', [{ localService: true, lang: 'fr-FR' }]],
    ['no voice', []],
  ])('nothing where there is %s', (_, voices) => {
    device(voices);
    speak('thumb soft');
    expect(said).toEqual([]);
  });

  test('nothing where the browser cannot speak', () => {
    vi.stubGlobal('window', {});
    speak('thumb soft');
    hush();
    expect(said).toEqual([]);
  });
});
