import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';

import { client, unwrap } from '../api/client';
import { keptQuery, picturesQuery } from '../api/queries';
import { SureButton } from '../components/SureButton';
import { longDay } from '../words/words';
import { megabytes } from '../words/size';

const WHAT = { picture: 'Pictures', sound: 'Sounds' };

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
    <section aria-label="What is kept">
      {kept.until && (
        <p>
          {megabytes(kept.size)}, kept until {dated(kept.until)}: then it is erased, unless there
          was a lesson.
        </p>
      )}
      {kinds.map((kind) => {
        const leave = kept.leaves.find((each) => each.kind === kind);
        return (
          <p key={kind}>
            {WHAT[kind]}, {counts[kind]}:{' '}
            {leave
              ? `${leave.name} (${leave.by}) said yes on ${dated(leave.on)}. `
              : 'nobody’s leave is noted. Ask, or remove them. '}
            <SureButton
              sure={counts[kind] > 0 ? `Erase all ${counts[kind]} now` : 'Withdraw it'}
              of={WHAT[kind]}
              onSure={() => withdraw.mutate(kind)}
            >
              {leave ? 'Withdraw' : 'Remove'}
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
