import * as say from '../messages/compiled/library';
import { useMemo } from 'react';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'wouter';

import type { Catalogue } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { Key } from '../components/Key';
import { late } from '../components/late';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { useKeys } from '../components/useKeys';
import { usePointerLeavesNoFocus } from '../components/usePointerLeavesNoFocus';
import { WordChoice } from '../components/WordChoice';
import { PlaceLensHand } from '../drawings/PlaceLens';
import { INSTRUMENT_WORDS } from '../words/words';
import { Hits, Said } from './Hits';
import css from './LibraryPage.module.css';
import { OpenEntry } from './OpenEntry';
import { helpFor, openOf } from './openHit';
import { isForADoctor, markedWords, searched } from './search';
import { type Hit, isSame, onShelf, type Shelf, SHELVES } from './shelves';
import { Shelves } from './Shelves';
import { useBeside } from './useBeside';

const DrillBench = late(async () => (await import('./DrillBench')).DrillBench);

export const SHELF_NAMES: [string, string][] = [
  ['exercises', say.exercises()],
  ['checks', say.checks()],
  ['causes', say.causes()],
  ['ways', say.ways()],
  ['help', say.help()],
];

export const INSTRUMENTS = Object.entries(INSTRUMENT_WORDS).map(([id, words]) => ({ id, words }));

type SetParams = (change: Record<string, string>) => void;

/** Everything that is known: one line to write on, one list, one entry open beside it. */
export function LibraryPage() {
  const catalogue = useQuery(catalogueQuery);
  const [params, setParams] = useSearchParams();
  const set: SetParams = (change) =>
    setParams({ ...Object.fromEntries(params), ...change }, { replace: true });
  if (catalogue.error && !catalogue.data) {
    return <Problem error={catalogue.error} onRetry={() => void catalogue.refetch()} />;
  }
  const isBench = params.get('shelf') === 'drills';
  return (
    <>
      <PageHead title={say.library()} isOld={catalogue.isError} />
      {isBench ? (
        <div className={css.benchPage}>
          <div className={css.shelves}>
            <button type="button" className={touch.word} onClick={() => set({ shelf: '' })}>
              {say.backToTheList()}
            </button>
            <WordChoice
              label={say.instrument()}
              choices={INSTRUMENTS}
              chosen={params.get('instrument') ?? 'vn'}
              onChoose={(id) => set({ instrument: id })}
            />
          </div>
          <DrillBench
            instrument={params.get('instrument') ?? 'vn'}
            drill={params.get('drill')}
            tune={params.get('tune')}
          />
        </div>
      ) : (
        catalogue.data && <Browse catalogue={catalogue.data} params={params} set={set} />
      )}
    </>
  );
}

interface BrowseProps {
  catalogue: Catalogue;
  params: URLSearchParams;
  set: SetParams;
}

function Browse({ catalogue, params, set }: BrowseProps) {
  usePointerLeavesNoFocus();
  const instrument = params.get('instrument') ?? 'vn';
  const search = params.get('search') ?? '';
  const shelf = SHELVES.find((each) => each === params.get('shelf')) ?? null;
  const isSearching = search.trim() !== '';
  const everything = useMemo(
    () => SHELVES.flatMap((each) => onShelf(catalogue, each, instrument)),
    [catalogue, instrument],
  );
  const beside = useBeside(instrument, isSearching);
  const isBody = isForADoctor(search);
  const all = useMemo(() => {
    if (!isSearching) return everything;
    return isBody ? [] : searched(catalogue, search, instrument, beside);
  }, [beside, catalogue, everything, instrument, isBody, isSearching, search]);
  const isStart = !isSearching && shelf === null;
  const hits = isStart ? [] : all.filter((hit) => shelf === null || hit.shelf === shelf);
  const open =
    openOf(params, [...everything, ...beside]) ??
    helpFor(params, catalogue, everything) ??
    (isStart ? null : (hits[0] ?? null));
  const openHit = (hit: Hit) => set({ open: `${hit.shelf}:${hit.entry.id}` });
  const move = (by: number) => {
    const at = hits.findIndex((hit) => isSame(hit, open));
    const next = hits[Math.max(0, Math.min(hits.length - 1, at + by))];
    if (next) openHit(next);
  };
  const clear = () => set({ search: '', open: '', shelf: '', help: '' });
  useKeys({
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    '/': () => document.getElementById('library-line')?.focus(),
    Escape: clear,
  });
  return (
    <div className={`${screen.screen} ${screen.filled} ${screen.listFirst}`}>
      <PlaceLensHand instrument={instrument} />
      <section className={`${screen.left} ${css.left}`} aria-label={say.list()}>
        <div className={css.line}>
          <input
            aria-label={say.search()}
            id="library-line"
            type="search"
            placeholder={say.tenseCollapsesFourthFlat()}
            autoFocus
            value={search}
            onChange={(event) => set({ search: event.currentTarget.value, open: '', help: '' })}
            onKeyDown={(event) => {
              const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
              if (by) {
                event.preventDefault();
                move(by);
              }
              if (event.key === 'Escape') clear();
              // Done with typing: the next key is for what is open beside.
              if (event.key === 'Enter') event.currentTarget.blur();
            }}
          />
          <span aria-live="polite">{isStart ? '' : say.found({ count: hits.length })}</span>
          <Key name="/" />
        </div>
        <Scroll className={css.list}>
          {isStart ? (
            <Said catalogue={catalogue} onSay={(words) => set({ search: words })} />
          ) : hits.length > 0 ? (
            <Hits
              hits={hits}
              open={open}
              instrument={instrument}
              words={isSearching ? markedWords(catalogue, search) : []}
              onOpen={openHit}
            />
          ) : (
            <p className={css.none}>
              {isBody ? say.thisIsForADoctor() : say.nothingWithTheseWordsTry()}
            </p>
          )}
        </Scroll>
        <Shelves {...{ shelf, instrument, set }} hits={isSearching ? all : null} />
      </section>
      <OpenEntry
        catalogue={catalogue}
        open={open}
        instrument={instrument}
        lesson={Number(params.get('lesson')) || null}
        onGo={(where: Shelf, id: string) => set({ open: `${where}:${id}` })}
      />
    </div>
  );
}

export interface ShelvesProps {
  shelf: Shelf | null;
  instrument: string;
  /** What was found, to be counted by shelf; null while nothing is searched. */
  hits: Hit[] | null;
  set: BrowseProps['set'];
}
