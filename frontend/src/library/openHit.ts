import type { Catalogue } from '../api/client';
import { type Hit } from './shelves';

/** The first page of help of the screen that was left for it. */
export function helpFor(params: URLSearchParams, catalogue: Catalogue, hits: Hit[]): Hit | null {
  const screen = params.get('help');
  const page = catalogue.help.find((each) => screen !== null && each.screens.includes(screen));
  return hits.find((hit) => hit.shelf === 'help' && hit.entry.id === page?.id) ?? null;
}

/** What is open, though the words that were looked for may not lead to it. */
export function openOf(params: URLSearchParams, hits: Hit[]): Hit | null {
  const [shelf, id] = (params.get('open') ?? '').split(':');
  return hits.find((hit) => hit.shelf === shelf && hit.entry.id === id) ?? null;
}
