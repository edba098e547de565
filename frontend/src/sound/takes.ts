import { queryOptions } from '@tanstack/react-query';

import { formBody } from '../api/form';
import { client, type Schemas, unwrap } from '../api/client';
import * as say from '../messages/compiled/sound';

export type Takes = Schemas['TakesOut'];
export type Take = Schemas['TakeOut'];
export type Curve = Schemas['CurveOut'];
export type TwoTakes = Schemas['BesideOut'];
/** A value as an entry takes it. */
export type Heard = Schemas['ByEarValue'];
export type PartName = Schemas['PartIn']['part'];

export const PART_WORDS: Record<string, string> = { slow: say.slow(), fast: say.fast() };

export const takesQuery = (lessonId: number, evidence: string) =>
  queryOptions({
    queryKey: ['takes', lessonId, evidence],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/lessons/{lesson_id}/takes/{evidence}', {
          params: { path: { lesson_id: lessonId, evidence } },
        }),
      ),
  });

export async function sendTake(
  lessonId: number,
  evidence: string,
  part: PartName,
  sound: Blob,
  isChanged: boolean,
): Promise<Takes> {
  return unwrap(
    await client.POST('/api/lessons/{lesson_id}/takes/{evidence}', {
      params: { path: { lesson_id: lessonId, evidence } },
      ...formBody({ file: sound, part, is_changed: String(isChanged) }),
    }),
  );
}

export async function simulateTake(
  lessonId: number,
  evidence: string,
  part: PartName,
  isChanged: boolean,
): Promise<Takes> {
  return unwrap(
    await client.POST('/api/lessons/{lesson_id}/takes/{evidence}/simulated', {
      params: { path: { lesson_id: lessonId, evidence } },
      body: { part, is_changed: isChanged },
    }),
  );
}

export const curveQuery = (lessonId: number, evidence: string, takeId: number) =>
  queryOptions({
    queryKey: ['take-curve', lessonId, takeId],
    queryFn: async () =>
      unwrap(
        await client.GET('/api/lessons/{lesson_id}/takes/{evidence}/{take_id}/curve', {
          params: { path: { lesson_id: lessonId, evidence, take_id: takeId } },
        }),
      ),
    staleTime: Infinity,
  });

export async function keepSound(
  lessonId: number,
  evidence: string,
  takeId: number,
  sound: Blob,
): Promise<Takes> {
  return unwrap(
    await client.POST('/api/lessons/{lesson_id}/takes/{evidence}/{take_id}/sound', {
      params: { path: { lesson_id: lessonId, evidence, take_id: takeId } },
      ...formBody({ file: sound }),
    }),
  );
}

export async function letSoundGo(
  lessonId: number,
  evidence: string,
  takeId: number,
): Promise<Takes> {
  return unwrap(
    await client.DELETE('/api/lessons/{lesson_id}/takes/{evidence}/{take_id}/sound', {
      params: { path: { lesson_id: lessonId, evidence, take_id: takeId } },
    }),
  );
}

export async function removeTake(
  lessonId: number,
  evidence: string,
  takeId: number,
): Promise<Takes> {
  return unwrap(
    await client.DELETE('/api/lessons/{lesson_id}/takes/{evidence}/{take_id}', {
      params: { path: { lesson_id: lessonId, evidence, take_id: takeId } },
    }),
  );
}
