import { Dialog } from './Dialog';
import css from './KeyHelp.module.css';

const KEYS: [string, [string, string][]][] = [
  [
    'Everywhere',
    [
      ['A L D G', 'ask, look, decide, give'],
      ['P', 'the sheet'],
      ['U', 'undo'],
      ['?', 'this list'],
    ],
  ],
  [
    'Today and a player',
    [
      ['1 - 9', 'begin the lesson of the first, the second, ...'],
      ['Enter', 'on a player’s page: begin the lesson'],
      ['← → ↑ ↓', 'in the picture of the term: from mark to mark; Enter opens it'],
    ],
  ],
  [
    'Ask',
    [
      ['↑ ↓', 'another exercise of last week'],
      ['S', 'shown'],
      ['N', 'not yet'],
      ['1 - 7', 'days that were practised, after a week on paper'],
      ['C', 'complaint: type a few letters'],
      ['H', 'harder piece'],
      ['W', 'all is well'],
      ['Y', 'yes, something'],
      ['Enter', 'all is well, and on'],
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
      ['V', 'the hand as it should be, or as seen'],
      ['R', 'tempo and reports'],
      ['Enter', 'decide'],
    ],
  ],
  ['Decide', [['Enter', 'take this focus']]],
  [
    'Give',
    [
      ['↑ ↓', 'another exercise'],
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
      ['↑ ↓', 'another player'],
      ['← →', 'another check'],
    ],
  ],
];

export function KeyHelp({ opened, onClose }: { opened: boolean; onClose: () => void }) {
  return (
    <Dialog opened={opened} onClose={onClose} title="Keys" wide>
      <p>Single keys can be switched off at your desk.</p>
      <div className={css.keys}>
        {KEYS.map(([part, rows]) => (
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
    </Dialog>
  );
}
