import { Button, TextInput } from '@mantine/core';
import { useEffect, useState } from 'react';

import type { Catalogue, Lesson, Schemas } from '../api/client';
import { useKeys } from '../components/useKeys';
import { SeenHand } from '../drawings/SeenHand';
import { signsOf } from '../drawings/signs';
import { shortDate } from '../words/words';
import css from './DecideStep.module.css';
import { leadFirst } from './leadFirst';
import type { LessonHandle } from './useLesson';

type Cause = Schemas['CauseOut'];

/** One focus for the week, at most two. The engine proposes and says why; the teacher decides. */
interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
  onDone: () => void;
}

export function DecideStep({ handle, catalogue, onDone }: Props) {
  const { lesson, enter, weighing } = handle;
  const [openCause, setOpenCause] = useState<string | null>(null);
  const shown = openCause ?? lesson.focus[0]?.cause ?? lesson.causes[0]?.id ?? '';
  const details = lesson.causes.find((c) => c.id === shown);

  // Taking the focus waits until what is on its way has been weighed.
  const [taking, setTaking] = useState(false);
  const causes = lesson.focus.map((f) => f.cause).join();
  useEffect(() => {
    if (!taking || weighing) return;
    enter('focus', '', causes === '' ? [] : causes.split(','));
    onDone();
  }, [taking, weighing, causes, enter, onDone]);
  const accept = () => setTaking(true);
  useKeys({ Enter: accept });

  return (
    <div className={css.decide}>
      <section className={css.focus}>
        <h2>This week&rsquo;s focus</h2>
        {lesson.moved_from.length > 0 && (
          <p role="status">
            The focus has moved with what you corrected. You had taken{' '}
            <strong>{lesson.moved_from.join(' and ')}</strong>.
          </p>
        )}
        {lesson.focus.length === 0 && (
          <p>
            No cause is likely yet, so there is no focus. Look on, choose one below, or go on with
            the gentlest release for now. {lesson.kept_words}
          </p>
        )}
        {lesson.focus.map((focus, index) => (
          <div key={focus.cause} className={css.card}>
            <span className={css.rank}>{index === 0 ? 'First' : 'And'}</span>
            <div>
              <h3>
                {focus.name}
                {focus.fingers.length > 0 && ` (finger ${focus.fingers.join(', ')})`}
              </h3>
              <p>{focus.why}</p>
              {index === 0 && lesson.kept_words && !isChoice(lesson, focus) && (
                <p className="quiet">{lesson.kept_words}</p>
              )}
              {isChoice(lesson, focus) && (
                <p className="quiet">Your choice. Jolf&rsquo;s own view stays beside it.</p>
              )}
            </div>
            {lesson.focus.length > 1 && (
              <Button
                variant="subtle"
                aria-label={`Only ${focus.name}`}
                onClick={() => enter('focus', '', [focus.cause])}
              >
                Only this
              </Button>
            )}
          </div>
        ))}
        {lesson.settle && (
          <p className="quiet">
            A cause higher up is possible: one trial could settle it first, &ldquo;
            {catalogue.evidence.find((e) => e.id === lesson.settle)?.label}&rdquo;.
          </p>
        )}
        <Button size="lg" aria-keyshortcuts="Enter" onClick={accept}>
          {lesson.focus.length === 0 ? 'Go on without a focus' : 'Take this focus'}
        </Button>
        {lesson.chosen && (
          <Button variant="default" onClick={() => enter('focus', '', null)}>
            Take back my choice
          </Button>
        )}
        <SeenHand
          instrument={lesson.player.instrument}
          signs={signsOf(lesson.findings)}
          words="The hand as it was seen"
        />
      </section>
      <CauseChoice lesson={lesson} shown={shown} onShow={setOpenCause} />
      {details && <CauseDetails cause={details} handle={handle} catalogue={catalogue} />}
    </div>
  );
}

function isChoice(lesson: Lesson, focus: Lesson['focus'][number]): boolean {
  return !focus.is_engines || lesson.chosen;
}

function CauseChoice({
  lesson,
  shown,
  onShow,
}: {
  lesson: Lesson;
  shown: string;
  onShow: (cause: string) => void;
}) {
  const [all, setAll] = useState(false);
  const inOrder = leadFirst(lesson);
  const causes = all ? inOrder : inOrder.slice(0, 7);
  return (
    <section>
      <h2>All causes</h2>
      <ul className={css.causes}>
        {causes.map((cause) => (
          <li key={cause.id}>
            <button
              type="button"
              aria-pressed={cause.id === shown}
              data-dismissed={cause.teacher_word === 'dismissed' || undefined}
              onClick={() => onShow(cause.id)}
            >
              <span>{cause.name}</span>
              <span className="quiet">
                {cause.teacher_word === 'dismissed' ? 'not this' : cause.word}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {!all && lesson.causes.length > causes.length && (
        <Button variant="subtle" onClick={() => setAll(true)}>
          Show all {lesson.causes.length}
        </Button>
      )}
    </section>
  );
}

function CauseDetails({
  cause,
  handle,
  catalogue,
}: {
  cause: Cause;
  handle: LessonHandle;
  catalogue: Catalogue;
}) {
  const { lesson, enter } = handle;
  const chosen = lesson.focus.some((f) => f.cause === cause.id);
  const said = cause.teacher_word;
  const dismissed = said === 'dismissed';
  const settling = catalogue.evidence.find((e) => e.id === cause.settle)?.label;
  const before = cause.ruled_out_on;
  function say(word: 'pinned' | 'dismissed') {
    const isSaid = cause.teacher_word === word;
    enter('cause', cause.id, isSaid ? (before ? { word: 'open' } : null) : { word });
    if (lesson.decided) enter('focus', '', null);
  }
  return (
    <section className={css.details} aria-live="polite">
      <h2>{cause.name}</h2>
      <p>{cause.meaning}</p>
      <p className="quiet">
        {cause.word}, {Math.round(cause.probability * 100)} %
        {cause.before && `. From before: ${cause.before}`}
      </p>
      <Reasons title="Speaks for it" reasons={cause.speaks_for} />
      <Reasons title="Speaks against it" reasons={cause.speaks_against} />
      {settling && (
        <p className="quiet">
          What would settle it best: <strong>{settling}</strong>
        </p>
      )}
      {before && (
        <p className="quiet">
          You ruled it out on {shortDate(before)}
          {cause.teacher_why && `: “${cause.teacher_why}”`}. Nothing new speaks for it since.
        </p>
      )}
      {said && !before && (
        <TextInput
          key={cause.id}
          label="Why, in a few words"
          defaultValue={cause.teacher_why}
          maxLength={200}
          onBlur={(event) => {
            const why = event.currentTarget.value;
            if (why !== cause.teacher_why) {
              enter('cause', cause.id, { word: said, why });
            }
          }}
        />
      )}
      <div className={css.actions}>
        {(!chosen || cause.teacher_word === 'pinned') && !dismissed && (
          <Button variant="default" onClick={() => say('pinned')}>
            {cause.teacher_word === 'pinned' ? 'Take back my choice' : 'Make it the focus'}
          </Button>
        )}
        <Button variant="default" onClick={() => say('dismissed')}>
          {dismissed ? 'It may be this after all' : 'It is not this'}
        </Button>
      </div>
    </section>
  );
}

function Reasons({ title, reasons }: { title: string; reasons: Schemas['ReasonOut'][] }) {
  return (
    <div>
      <h3>{title}</h3>
      {reasons.length === 0 ? (
        <p className="quiet">nothing seen so far</p>
      ) : (
        <ul className={css.reasons}>
          {reasons.slice(0, 5).map((reason) => (
            <li key={reason.evidence}>{reason.phrase}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
