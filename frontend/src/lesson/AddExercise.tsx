import { useState } from 'react';
import { useSearchParams } from 'wouter';

import type { Catalogue, Lesson } from '../api/client';
import field from '../components/field.module.css';
import css from './GiveStep.module.css';
import { exercisesToAdd, firstHit, itemsOf, type Wish, wishOf } from './planDraft';
import * as say from '../messages/compiled/lesson';

interface AddProps {
  lesson: Lesson;
  catalogue: Catalogue;
  store: (wishes: Wish[]) => void;
}

export function AddExercise({ lesson, catalogue, store }: AddProps) {
  // What was chosen in the library waits here for one touch more.
  const [params] = useSearchParams();
  const asked = catalogue.exercises.find((each) => each.id === params.get('add'));
  const [typed, setTyped] = useState(asked?.name ?? '');
  const items = itemsOf(lesson);
  const choices = exercisesToAdd(lesson, catalogue);
  const hit = firstHit(choices, typed);
  const add = (id: string) => {
    setTyped('');
    store([...items.map(wishOf), { exercise: id }]);
  };
  return (
    <div>
      <label className={css.field}>
        {say.addAnExercise()}
        <small>
          {hit && typed !== '' ? say.enterAdds({ name: hit.name }) : say.typeAFewLetters()}
        </small>
        <input
          className={field.field}
          list="exercises-to-add"
          value={typed}
          onChange={({ currentTarget: { value } }) => {
            const picked = choices.find((each) => each.name === value);
            if (picked) add(picked.id);
            else setTyped(value);
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && hit && typed !== '') add(hit.id);
          }}
        />
      </label>
      <datalist id="exercises-to-add">
        {choices.map((each) => (
          <option key={each.id} value={each.name} />
        ))}
      </datalist>
    </div>
  );
}
