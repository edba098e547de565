import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { client, type Schemas, unwrap } from '../api/client';
import { handQuery } from '../api/handQueries';
import { sessionQuery } from '../api/queries';
import { HandPaths } from '../drawings/HandPaths';
import { TONES } from '../drawings/tones';
import css from './HandTone.module.css';
import * as say from '../messages/compiled/desk';

interface Props {
  tone: string;
  onSaved: (desk: Schemas['DeskOut']) => void;
}

/** In which tone hands are drawn; until one is chosen, in outline. */
export function HandTone({ tone, onSaved }: Props) {
  const cache = useQueryClient();
  const hand = useQuery(handQuery('vn', ''));
  const choose = useMutation({
    mutationFn: async (wanted: string) =>
      unwrap(await client.POST('/api/desk/tone', { body: { tone: wanted } })),
    onSuccess: (data) => {
      onSaved(data);
      return cache.invalidateQueries(sessionQuery);
    },
  });
  return (
    <section>
      <h2>{say.howHandsAreDrawn()}</h2>
      <div className={css.tones} role="radiogroup" aria-label={say.skinOfTheDrawnHand()}>
        {TONES.map(({ value, words }) => (
          <button
            key={value}
            type="button"
            role="radio"
            aria-checked={tone === value}
            className={css.tone}
            data-hand-tone={value}
            onClick={() => choose.mutate(value)}
          >
            <svg viewBox="150 40 360 330" aria-hidden="true">
              {hand.data && <HandPaths hand={hand.data} />}
            </svg>
            {words}
          </button>
        ))}
      </div>
      {choose.error && <p role="alert">{choose.error.message}</p>}
    </section>
  );
}
