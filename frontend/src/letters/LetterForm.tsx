import '@mantine/core/styles/Checkbox.css';

import { Checkbox } from '@mantine/core';

import type { EditedLetter } from '../outbox/letterEdits';
import css from './LettersPage.module.css';
import * as say from '../messages/compiled/letters';

interface Props {
  letter: EditedLetter;
  onChange: (letter: EditedLetter) => void;
}

/** One letter: its title, its paragraphs, and whether the picture of the term goes with it. */
export function LetterForm({ letter, onChange }: Props) {
  const change = (at: number, text: string) =>
    onChange({
      ...letter,
      paragraphs: letter.paragraphs.map((each, n) => (n === at ? { ...each, text } : each)),
    });
  return (
    <section className={css.letter} aria-label={say.letterAbout({ name: letter.name })}>
      <label className={css.title}>
        <span className="sr-only">{say.title()}</span>
        <input
          maxLength={200}
          value={letter.title}
          onChange={(event) => onChange({ ...letter, title: event.currentTarget.value })}
        />
      </label>
      {letter.paragraphs.map((paragraph, at) => (
        <label key={paragraph.heading} className={css.paragraph}>
          <span>{paragraph.heading}</span>
          <textarea
            maxLength={6000}
            rows={rowsOf(paragraph.text)}
            value={paragraph.text}
            onChange={(event) => change(at, event.currentTarget.value)}
          />
        </label>
      ))}
      {letter.has_picture && (
        <Checkbox
          size="md"
          label={say.withThePictureOfThe()}
          checked={letter.picture}
          onChange={(event) => onChange({ ...letter, picture: event.currentTarget.checked })}
        />
      )}
    </section>
  );
}

const LETTERS_A_ROW = 95;

function rowsOf(text: string): number {
  const rows = text
    .split('\n')
    .reduce((sum, line) => sum + Math.max(1, Math.ceil(line.length / LETTERS_A_ROW)), 0);
  return Math.min(14, Math.max(2, rows));
}
