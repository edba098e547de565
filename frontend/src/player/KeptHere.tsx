import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { client, unwrap } from '../api/client';
import { keptQuery, picturesQuery } from '../api/queries';
import { SureButton } from '../components/SureButton';
import { longDay } from '../words/words';
import { megabytes } from '../words/size';
import * as say from '../messages/compiled/player';

const WHAT = { picture: say.pictures(), sound: say.sounds() };

/** Whose leave there is to keep pictures and sounds, until when, and the way to withdraw it. */
export function KeptHere({ playerId }: { playerId: number }) {
  const kept = useQuery(keptQuery(playerId)).data;
  const cache = useQueryClient();
  const withdraw = useMutation({
    mutationFn: async (kind: string) =>
      unwrap(
        await client.DELETE('/api/players/{player_id}/leave/{kind}', {
          params: { path: { player_id: playerId, kind } },
        }),
      ),
    onSuccess: (left) => {
      cache.setQueryData(keptQuery(playerId).queryKey, left);
      void cache.invalidateQueries(picturesQuery(playerId));
      void cache.invalidateQueries({ queryKey: ['player', playerId] });
    },
  });
  if (!kept || (kept.until === null && kept.leaves.length === 0)) return null;
  const counts = { picture: kept.pictures, sound: kept.sounds };
  const kinds = (['picture', 'sound'] as const).filter(
    (kind) => counts[kind] > 0 || kept.leaves.some((leave) => leave.kind === kind),
  );
  return (
    <section aria-label={say.whatIsKept()}>
      {kept.until && (
        <p>{say.keptUntilThenItIs({ size: megabytes(kept.size), until: dated(kept.until) })}</p>
      )}
      {kinds.map((kind) => {
        const leave = kept.leaves.find((each) => each.kind === kind);
        return (
          <p key={kind}>
            {leave
              ? say.saidYesOn({
                  what: WHAT[kind],
                  count: counts[kind],
                  name: leave.name,
                  by: leave.by,
                  on: dated(leave.on),
                })
              : say.nobodysLeaveIsNotedAsk({ what: WHAT[kind], count: counts[kind] })}{' '}
            <SureButton
              sure={counts[kind] > 0 ? say.eraseAllNow({ kind: counts[kind] }) : say.withdrawIt()}
              of={WHAT[kind]}
              onSure={() => withdraw.mutate(kind)}
            >
              {leave ? say.withdraw() : say.remove()}
            </SureButton>
          </p>
        );
      })}
      {withdraw.error && <p role="alert">{withdraw.error.message}</p>}
    </section>
  );
}

function dated(iso: string): string {
  return longDay(new Date(`${iso}T12:00:00`));
}
