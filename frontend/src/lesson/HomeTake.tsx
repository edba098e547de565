import type { Catalogue } from '../api/client';
import field from '../components/field.module.css';
import css from './HomeTake.module.css';
import type { LessonHandle } from './useLesson';
import * as say from '../messages/compiled/lesson';

interface Props {
  handle: LessonHandle;
  catalogue: Catalogue;
}

/** What the player records on the phone's page in this week. */
export function HomeTake({ handle, catalogue }: Props) {
  const { lesson, enter } = handle;
  const heard = catalogue.evidence.filter(
    (each) => each.by_ear && each.instruments.includes(lesson.player.instrument),
  );
  return (
    <label className={css.take}>
      {say.toBeRecordedAtHome()}
      <select
        className={field.field}
        value={lesson.home_take}
        onChange={(event) => enter('home_take', '', event.currentTarget.value)}
      >
        <option value="">{say.nothing()}</option>
        {heard.map((each) => (
          <option key={each.id} value={each.id}>
            {say.forWord({ label: each.label })}
          </option>
        ))}
      </select>
    </label>
  );
}
