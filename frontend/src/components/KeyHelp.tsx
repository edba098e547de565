import { useState } from 'react';
import { Link } from 'wouter';

import { Dialog } from './Dialog';
import css from './KeyHelp.module.css';
import touch from './touch.module.css';

const KEYS: [string, [string, string][]][] = [
  [
    'Everywhere',
    [
      ['A L D G', 'ask, look, decide, give'],
      ['P', 'the sheet'],
      ['U', 'undo'],
      ['/', 'the library, or the line to find somebody'],
      ['?', 'this list'],
    ],
  ],
  [
    'Today',
    [
      ['1 - 9', 'begin the lesson of the first, the second, ...'],
      ['↑ ↓', 'open a lesson of the day'],
      ['A', 'the one that is open: absent, or here after all'],
      ['Esc', 'close it'],
      ['Enter', 'begin the next lesson, or the one that is open'],
    ],
  ],
  [
    'Player',
    [
      ['← → ↑ ↓', 'in the picture of the term: from mark to mark; Enter opens it'],
      ['P', 'print'],
      ['Enter', 'begin a lesson'],
    ],
  ],
  [
    'Library',
    [
      ['↑ ↓', 'another entry'],
      ['Esc', 'begin anew'],
      ['Enter', 'look now, or give it, in the lesson at the stand'],
    ],
  ],
  [
    'Piece',
    [
      ['P', 'other fingers'],
      ['Enter', 'the open place into the week, or out of it'],
    ],
  ],
  [
    'Ask',
    [
      ['↑ ↓', 'another question'],
      ['0 1 2 3', 'gone, less, the same, more than last time'],
      ['S N O', 'an exercise of last week: shown, not yet, it hurt'],
      ['1 - 7', 'days that were practised, after a week on paper'],
      ['1 - 9', 'a complaint; then its finger, 1 to 4'],
      ['C', 'complaint: type a few letters'],
      ['X', 'later, not asked, or go on'],
      ['H', 'harder piece'],
      ['W', 'all is well, and on to the look'],
      ['Y', 'yes, something hurts'],
      ['Enter', 'look'],
    ],
  ],
  [
    'Look',
    [
      ['0 1 2 3', 'grade: not there, slight, clear, strong'],
      ['↑ ↓', 'another check'],
      ['← →', 'another finger'],
      ['X', 'cannot see it today'],
      ['N', 'next look'],
      ['T', 'try one thing'],
      ['M', 'measure: a number, the ear, a picture, before and after'],
      ['Enter, at the ear', 'record, done, take what was heard; 0 to 3 say otherwise'],
      ['C', 'what speaks for and against'],
      ['V', 'the hand as it should be, or as seen'],
      ['R', 'tempo and reports'],
      ['Enter', 'decide'],
    ],
  ],
  [
    'Decide',
    [
      ['C', 'all causes'],
      ['T', 'what would make it surer'],
      ['V', 'the hand as it should be, or as seen'],
      ['Esc', 'back to the focus'],
      ['Enter', 'take the focus that is named'],
    ],
  ],
  [
    'Give',
    [
      ['↑ ↓', 'open an exercise'],
      ['Esc', 'back to the week'],
      ['← →', 'step down, step up'],
      ['- +', 'less, more'],
      ['1 - 7', 'a day of it on or off'],
      ['X', 'take it out'],
      ['M', 'make the week anew, when the focus has changed'],
      ['Enter', 'give it and make the sheet'],
    ],
  ],
  [
    'Sheet',
    [
      ['Enter', 'open the PDF'],
      ['B', 'back to the lesson'],
      ['N', 'next player'],
    ],
  ],
  [
    'Class',
    [
      ['0 1 2 3', 'grade, then the next player'],
      ['F D S A', 'on the first to the fourth finger, as they lie under a left hand'],
      ['G', 'on all fingers'],
      ['O', 'all the others: not there'],
      ['↑ ↓', 'another player'],
      ['← →', 'another check'],
      ['Enter', 'the next check'],
    ],
  ],
];

interface Props {
  opened: boolean;
  /** Of which part of the program; its keys come first, the others on demand. */
  here: string | null;
  onClose: () => void;
}

/** The keys as they are on this screen, and all others behind one touch. */
export function KeyHelp({ opened, here, onClose }: Props) {
  const [all, setAll] = useState(here === null);
  const shown = KEYS.filter(([part]) => all || part === 'Everywhere' || part === here);
  return (
    <Dialog opened={opened} onClose={onClose} title="Keys" wide>
      <p>Single keys can be switched off at your desk.</p>
      <div className={css.keys}>
        {shown.map(([part, rows]) => (
          <section key={part}>
            <h3>{part}</h3>
            <dl>
              {rows.map(([keys, what]) => (
                <div key={keys}>
                  <dt>
                    {keys.split(' ').map((key) => (
                      <kbd key={key}>{key}</kbd>
                    ))}
                  </dt>
                  <dd>{what}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
      <p className={css.more}>
        {!all && (
          <button type="button" className={touch.word} onClick={() => setAll(true)}>
            All keys
          </button>
        )}
        <Link href={`/library?help=${here ?? 'Today'}`} className={touch.word} onClick={onClose}>
          Help for this page
        </Link>
      </p>
    </Dialog>
  );
}
