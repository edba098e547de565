import { useCallback, useEffect, useRef, useState } from 'react';

import css from './audio.module.css';
import { LEFT_OUT, mark } from './marks';
import { type ExpectedNote, type How, picturesOf, playedAs, scheduleOf } from './schedule';
import { audioContext, click, note } from './sound';
import { useRunning } from './useRunning';
import * as say from '../messages/compiled/audio';

const SPEEDS = [0.5, 0.75, 1];
const HOW: [How, string][] = [
  ['through', say.straightThrough()],
  ['turns', say.myTurnYourTurn()],
  ['gaps', say.oneNoteABarIs()],
  ['bars', say.everySecondBarIsYours()],
];

interface Props {
  name: string;
  /** Our own SVG picture of the music. */
  music: string;
  notes: ExpectedNote[];
  tempo: number;
  /** Quarters in a bar. */
  beatsABar?: number | undefined;
  /** It may be answered: bar by bar, or the note that is left out. */
  canAnswer?: boolean;
}

/** The music, and a button that plays it: a bar of count-in, then a mark that moves along. */
export function Listen({ name, music, notes, tempo, beatsABar, canAnswer = false }: Props) {
  const picture = useRef<HTMLDivElement>(null);
  const [speed, setSpeed] = useState(1);
  const [how, setHow] = useState<How>('through');
  const [turn, setTurn] = useState('');
  const finish = useRef<() => void>(() => undefined);

  const start = useCallback(() => {
    const context = audioContext();
    const plan = playedAs(scheduleOf(notes, tempo, speed, { beatsABar }), how);
    const zero = context.currentTime + 0.15;
    for (const beat of plan.beats) if (beat.clicks) click(context, zero + beat.time, beat.first);
    const tones = plan.notes
      .filter((each) => !each.isPlayers)
      .map((each) => note(context, each.midi, zero + each.onset, each.seconds));
    const drawn = picture.current?.querySelectorAll('g.note') ?? [];
    const places = picturesOf(notes);
    const gaps =
      how === 'gaps' || how === 'bars' ? plan.notes.filter((each) => each.isPlayers) : [];
    for (const gap of gaps) mark(drawn, places[gap.place], true, LEFT_OUT);
    let shown = -1;
    const timer = setInterval(() => {
      const now = context.currentTime - zero;
      const last = plan.notes.findLast((each) => each.onset <= now);
      const place = last?.place ?? -1;
      if (place !== shown) {
        mark(drawn, places[shown], false);
        mark(drawn, places[place], true);
        shown = place;
      }
      if (how === 'turns') setTurn(last?.isPlayers ? say.yourTurn() : say.myTurn());
      if (now > plan.end) finish.current();
    }, 30);
    return () => {
      clearInterval(timer);
      setTurn('');
      mark(drawn, places[shown], false);
      for (const gap of gaps) mark(drawn, places[gap.place], false, LEFT_OUT);
      for (const tone of tones) tone.stop();
    };
  }, [notes, tempo, beatsABar, speed, how]);
  const { running, toggle } = useRunning(start);
  useEffect(() => {
    finish.current = toggle;
  });

  return (
    <div className={css.listen}>
      <div
        ref={picture}
        className={css.music}
        role="img"
        aria-label={say.musicOf({ name })}
        // Drawn by our own server from our own drills, or from a part that it has cleaned.
        dangerouslySetInnerHTML={{ __html: music }}
      />
      {notes.length > 0 && (
        <div className={`${css.row} no-print`}>
          <button type="button" className={css.tool} aria-pressed={running} onClick={toggle}>
            {running ? say.stop() : say.listen()}
          </button>
          {turn !== '' && (
            <strong role="status" className={css.turn}>
              {turn}
            </strong>
          )}
          <Choice
            label={say.speed()}
            choices={SPEEDS.map((each) => [each, speedWords(each, tempo)])}
            chosen={speed}
            disabled={running}
            onChoose={setSpeed}
          />
          {canAnswer && (
            <Choice
              label={say.howItIsPlayed()}
              choices={HOW}
              chosen={how}
              disabled={running}
              onChoose={setHow}
            />
          )}
        </div>
      )}
    </div>
  );
}

interface ChoiceProps<Value extends string | number> {
  label: string;
  choices: [Value, string][];
  chosen: Value;
  disabled: boolean;
  onChoose: (value: Value) => void;
}

function Choice<Value extends string | number>(props: ChoiceProps<Value>) {
  return (
    <div role="group" aria-label={props.label} className={css.row}>
      {props.choices.map(([value, words]) => (
        <button
          key={value}
          type="button"
          className={css.tool}
          aria-pressed={value === props.chosen}
          disabled={props.disabled}
          onClick={() => props.onChoose(value)}
        >
          {words}
        </button>
      ))}
    </div>
  );
}

function speedWords(speed: number, tempo: number): string {
  if (speed === 1) return `♩ = ${tempo}`;
  return speed === 0.5 ? say.half() : say.threeQuarters();
}
