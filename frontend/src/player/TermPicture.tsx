import { type KeyboardEvent, type PointerEvent, useState } from 'react';

import type { Schemas } from '../api/client';
import touch from '../components/touch.module.css';
import css from './Term.module.css';
import { markAt, nextMark } from './termMarks';
import * as say from '../messages/compiled/player';
import { Rich } from '../messages/Rich';

interface Props {
  picture: Schemas['TermPictureOut'];
  onCause: (cause: string) => void;
  onLesson: (lesson: number) => void;
}

/** The picture as one place to tab to: touch or arrow keys say what a part of it means, and Enter or
 * the button below opens it. */
export function TermPicture({ picture, onCause, onLesson }: Props) {
  const [at, setAt] = useState<number | null>(null);
  const mark = at === null ? null : (picture.marks[at] ?? null);
  const open = () => {
    if (mark?.lesson != null) onLesson(mark.lesson);
    else if (mark?.cause != null) onCause(mark.cause);
  };
  function onKey(event: KeyboardEvent) {
    if (event.key === 'Escape') setAt(null);
    if (event.key === 'Enter' && mark !== null) {
      event.preventDefault();
      event.stopPropagation();
      open();
      return;
    }
    const to = nextMark(picture.marks, at, event.key);
    if (to === null) return;
    event.preventDefault();
    event.stopPropagation();
    setAt(to);
  }
  function onTouch(event: PointerEvent<HTMLDivElement>) {
    const box = event.currentTarget.getBoundingClientRect();
    const scale = picture.width / box.width;
    const found = markAt(
      picture.marks,
      (event.clientX - box.left) * scale,
      (event.clientY - box.top) * scale,
    );
    setAt(found);
  }
  const percent = (part: number, whole: number) => `${(100 * part) / whole}%`;
  return (
    <>
      <div
        className={css.picture}
        tabIndex={0}
        role="application"
        aria-label={say.theTermInAPicture()}
        aria-describedby="term-says"
        onKeyDown={onKey}
        onPointerDown={onTouch}
      >
        <div
          // Drawn by our own server; what teachers type is escaped there.
          dangerouslySetInnerHTML={{ __html: picture.svg }}
        />
        {mark && (
          <span
            className={css.ring}
            aria-hidden="true"
            style={{
              left: percent(mark.x, picture.width),
              top: percent(mark.y, picture.height),
              width: percent(mark.width, picture.width),
              height: percent(mark.height, picture.height),
            }}
          />
        )}
      </div>
      <p id="term-says" className="sr-only" aria-live="polite">
        {mark?.words}
      </p>
      {mark && (
        <Says mark={mark} onCause={onCause} onLesson={onLesson} onDone={() => setAt(null)} />
      )}
    </>
  );
}

interface SaysProps extends Pick<Props, 'onCause' | 'onLesson'> {
  mark: Schemas['TermMarkOut'];
  onDone: () => void;
}

/** What was touched, over the foot of the picture. */
function Says({ mark, onCause, onLesson, onDone }: SaysProps) {
  return (
    <div className={`${css.says} no-print`}>
      <p aria-hidden="true">{mark.words}</p>
      {mark.lesson !== null && (
        <button type="button" className={touch.word} onClick={() => onLesson(mark.lesson ?? 0)}>
          {say.openTheLesson()}
        </button>
      )}
      {mark.cause !== null && (
        <button type="button" className={touch.word} onClick={() => onCause(mark.cause ?? '')}>
          {say.itsSigns()}
        </button>
      )}
      <button type="button" className={touch.word} onClick={onDone}>
        <Rich
          says={say.doneWithWhatWasTouched()}
          as={{ span: (words) => <span className="sr-only">{words}</span> }}
        />
      </button>
    </div>
  );
}
