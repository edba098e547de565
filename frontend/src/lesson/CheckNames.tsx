import type { Evidence } from '../api/client';
import { GradeString } from '../components/GradeString';
import touch from '../components/touch.module.css';
import { gradeWord } from '../words/words';
import css from './CheckNames.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

const ORDERS = [
  { value: 'telling', label: say.mostTellingLookFirst() },
  { value: 'silent', label: say.silentLooksFirst() },
  { value: 'classic', label: say.fromFarToNear() },
];

interface Props {
  title: string;
  items: Evidence[];
  now: string | undefined;
  handle: LessonHandle;
  onChoose: (id: string) => void;
  onClose: () => void;
}

/** Checks by name, where one is chosen for what it is: trials, and what has no place on the hand. */
export function CheckNames({ title, items, now, handle, onChoose, onClose }: Props) {
  const { lesson, enter } = handle;
  return (
    <section className={css.names} aria-label={title}>
      <div className={css.head}>
        <strong>{title}</strong>
        <button type="button" className={touch.word} aria-keyshortcuts="n" onClick={onClose}>
          {say.backToTheHand()}
        </button>
      </div>
      <ul>
        {items.map((item) => {
          const finding = lesson.findings[item.id];
          const last = lesson.previous?.findings[item.id];
          const isTrial = item.stage === 'trial';
          return (
            <li key={item.id}>
              <button
                type="button"
                aria-current={item.id === now || undefined}
                onClick={() => onChoose(item.id)}
              >
                <span>{item.label}</span>
                <span className={css.state}>
                  {finding
                    ? gradeWord(finding.grade, isTrial)
                    : last && say.lastTime({ grade: gradeWord(last.grade, isTrial) })}
                </span>
                <GradeString grade={finding?.grade ?? null} width={52} height={20} bead={5} />
              </button>
            </li>
          );
        })}
      </ul>
      <label className={css.order}>
        {say.orderOfLooking()}
        <select
          className={touch.button}
          value={lesson.look_order}
          onChange={(event) => enter('order', '', event.currentTarget.value)}
        >
          {ORDERS.map((order) => (
            <option key={order.value} value={order.value}>
              {order.label}
            </option>
          ))}
        </select>
      </label>
    </section>
  );
}
