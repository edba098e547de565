import { useState } from 'react';
import { Link } from 'wouter';

import type { Schemas } from '../api/client';
import { Key } from '../components/Key';
import { late } from '../components/late';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { weekday } from '../words/words';
import { BringIn } from './BringIn';
import { named, type Row } from './day';
import css from './Everybody.module.css';
import { firstLine, painWords } from './rowWords';
import * as say from '../messages/compiled/today';

const PlayerDialog = late(async () => (await import('../components/PlayerDialog')).PlayerDialog);

// 5 January 1970 was a Monday.
const weekdayName = (day: number) => weekday('1970-01-05', day);

interface Props {
  rows: Row[];
  urgent: Row[];
  others: Row[];
  lines: Schemas['DayOut']['lines'];
  onOpen: (row: Row) => void;
}

/** Who is stopped, who is worth a thought, the others, and one line to find anybody. */
export function Everybody({ rows, urgent, others, lines, onOpen }: Props) {
  const [typed, setTyped] = useState('');
  const [adding, setAdding] = useState(false);
  const [field, setField] = useState<HTMLInputElement | null>(null);
  useKeys({ '/': () => field?.focus() });
  const found = typed.trim() === '' ? null : named(rows, typed);
  return (
    <>
      <Scroll className={css.all}>
        {found ? (
          <Found rows={found} typed={typed.trim()} onOpen={onOpen} />
        ) : (
          <>
            {urgent.length > 0 && (
              <section className={css.part}>
                <h2>{say.stoppedOrInPain()}</h2>
                <ul className={css.urgent} aria-label={say.stoppedOrInPain()}>
                  {urgent.map((row) => (
                    <li key={row.player.id}>
                      <button type="button" className={touch.line} onClick={() => onOpen(row)}>
                        <strong>{row.player.name}</strong>
                        <em>{row.flag ? firstLine(row).words : row.pain && painWords(row.pain)}</em>
                      </button>
                    </li>
                  ))}
                </ul>
              </section>
            )}
            <Thoughts lines={lines} />
            <section className={css.part}>
              <div className={css.othersHead}>
                <h2>{rows.length === 0 ? say.players() : say.others()}</h2>
                <BringIn />
                <button type="button" className={touch.word} onClick={() => setAdding(true)}>
                  {say.newPlayer()}
                </button>
              </div>
              <Names rows={others} onOpen={onOpen} />
            </section>
          </>
        )}
      </Scroll>
      {rows.length > 0 && (
        <label className={css.find}>
          <Glass />
          <input
            ref={setField}
            type="search"
            aria-label={say.findAPlayerOrA()}
            placeholder={say.playerCheckExerciseDrill()}
            value={typed}
            onChange={(event) => setTyped(event.currentTarget.value)}
            onKeyDown={(event) => {
              if (event.key === 'Escape') setTyped('');
              if (event.key === 'Enter' && found?.[0]) onOpen(found[0]);
            }}
          />
          <Key name="/" />
        </label>
      )}
      {adding && <PlayerDialog opened onClose={() => setAdding(false)} player={null} />}
    </>
  );
}

function Found({ rows, typed, onOpen }: { rows: Row[]; typed: string; onOpen: Props['onOpen'] }) {
  return (
    <section className={css.part} aria-live="polite">
      <h2>{say.found()}</h2>
      {rows.length === 0 && <p>{say.noPlayerOfThisName()}</p>}
      <Names rows={rows} onOpen={onOpen} />
      <Link className={touch.word} href={`/library?search=${encodeURIComponent(typed)}`}>
        {say.lookForInTheLibrary({ typed })}
      </Link>
    </section>
  );
}

function Names({ rows, onOpen }: { rows: Row[]; onOpen: Props['onOpen'] }) {
  return (
    <ul className={css.names}>
      {rows.map((row) => (
        <li key={row.player.id}>
          <button type="button" className={touch.line} onClick={() => onOpen(row)}>
            {row.player.name}{' '}
            <span>
              {row.is_today
                ? say.todayInside()
                : row.weekday !== null
                  ? weekdayName(row.weekday)
                  : ''}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function Thoughts({ lines }: { lines: Props['lines'] }) {
  if (lines.length === 0) return null;
  return (
    <section aria-label={say.worthAThought()} className={css.part}>
      <h2>{say.worthAThought()}</h2>
      <ul className={css.thoughts}>
        {lines.map((line) => (
          <li key={line.player}>
            <Link href={`/players/${line.player}`}>
              <strong>{line.name}</strong>
            </Link>
            <span>{line.words}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Glass() {
  return (
    <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true" className={css.glass}>
      <circle cx="8.5" cy="8.5" r="6" />
      <path d="M13 13L18 18" />
    </svg>
  );
}
