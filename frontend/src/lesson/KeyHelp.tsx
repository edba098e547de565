import { Dialog } from '../components/Dialog';
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
    'Ask',
    [
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
  ['Give', [['Enter', 'give it and make the sheet']]],
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
