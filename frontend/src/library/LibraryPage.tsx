import '@mantine/core/styles/FloatingIndicator.css';
import '@mantine/core/styles/SegmentedControl.css';

import { SegmentedControl, TextInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'wouter';

import { late } from '../components/late';
import type { Catalogue } from '../api/client';
import { catalogueQuery } from '../api/queries';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import { CauseCard } from './CauseCard';
import { CheckCard } from './CheckCard';
import { ExerciseCard } from './ExerciseCard';
import css from './LibraryPage.module.css';
import { onShelf, searched, type Shelf } from './search';

const DrillBench = late(async () => (await import('./DrillBench')).DrillBench);

const SHELVES = [
  { value: 'exercises', label: 'Exercises' },
  { value: 'causes', label: 'Causes' },
  { value: 'checks', label: 'Checks' },
  { value: 'drills', label: 'Drills' },
];
const SHELF_WORDS: Record<Shelf, string> = {
  exercises: 'exercise',
  causes: 'cause',
  checks: 'check',
};
const INSTRUMENTS = [
  { value: '', label: 'all' },
  { value: 'vn', label: 'violin' },
  { value: 'va', label: 'viola' },
  { value: 'vc', label: 'cello' },
  { value: 'db', label: 'bass' },
];

/** Everything that is known, to browse and search; drills to try, hear and take along. */
export function LibraryPage() {
  const catalogue = useQuery(catalogueQuery);
  const [params, setParams] = useSearchParams();
  const shelf = params.get('shelf') ?? 'exercises';
  const instrument = params.get('instrument') ?? '';
  const set = (change: Record<string, string>) =>
    setParams({ ...Object.fromEntries(params), ...change }, { replace: true });
  if (catalogue.error) {
    return <Problem error={catalogue.error} onRetry={() => void catalogue.refetch()} />;
  }
  if (!catalogue.data) return null;
  return (
    <>
      <PageHead title="Library" />
      <div className={css.page}>
        <div className={css.filters}>
          <SegmentedControl
            aria-label="Shelf"
            size="md"
            data={SHELVES}
            value={shelf}
            onChange={(value) => set({ shelf: value, open: '' })}
          />
          <SegmentedControl
            aria-label="Instrument"
            size="md"
            data={INSTRUMENTS}
            value={instrument}
            onChange={(value) => set({ instrument: value })}
          />
        </div>
        {shelf === 'drills' ? (
          <DrillBench instrument={instrument || 'vn'} />
        ) : (
          <Browse
            catalogue={catalogue.data}
            shelf={shelf as Shelf}
            instrument={instrument || null}
            search={params.get('search') ?? ''}
            open={params.get('open') ?? ''}
            onSearch={(search) => set({ search })}
            onOpen={(where, open) => set({ shelf: where, open })}
            onGo={(where, open) => set({ shelf: where, open, search: '' })}
          />
        )}
      </div>
    </>
  );
}

interface BrowseProps {
  catalogue: Catalogue;
  shelf: Shelf;
  instrument: string | null;
  search: string;
  open: string;
  onSearch: (search: string) => void;
  onOpen: (shelf: Shelf, id: string) => void;
  onGo: (shelf: Shelf, id: string) => void;
}

function Browse(props: BrowseProps) {
  const { catalogue, instrument, search, onSearch, onGo } = props;
  const isSearching = search.trim() !== '';
  const shown = isSearching
    ? searched(catalogue, search, instrument)
    : onShelf(catalogue, props.shelf, instrument);
  const hit =
    shown.find(({ entry, shelf }) => entry.id === props.open && shelf === props.shelf) ?? shown[0];
  const chosen = hit?.entry.id ?? '';
  const shelf = hit?.shelf ?? props.shelf;
  return (
    <div className={css.browse}>
      <section aria-label="List">
        <TextInput
          aria-label="Search"
          placeholder="Search everything: tense, collapses, weak little finger"
          size="md"
          value={search}
          onChange={(event) => onSearch(event.currentTarget.value)}
        />
        {/* Focusable, so that keys can scroll it. */}
        <ul className={css.list} tabIndex={0} aria-label={`${shown.length} found`}>
          {shown.map((each) => (
            <li key={each.shelf + each.entry.id}>
              <button
                type="button"
                aria-pressed={each === hit}
                onClick={() => props.onOpen(each.shelf, each.entry.id)}
              >
                {each.entry.name}
                {isSearching && <small className="quiet"> {SHELF_WORDS[each.shelf]}</small>}
              </button>
            </li>
          ))}
        </ul>
        {shown.length === 0 && <p>Nothing with these words. Try fewer letters.</p>}
      </section>
      <section className={css.card} aria-label="Open page">
        {shelf === 'exercises' && (
          <ExerciseCard
            catalogue={catalogue}
            id={chosen}
            instrument={instrument}
            onCause={(id) => onGo('causes', id)}
          />
        )}
        {shelf === 'causes' && (
          <CauseCard
            catalogue={catalogue}
            id={chosen}
            instrument={instrument}
            onExercise={(id) => onGo('exercises', id)}
            onCheck={(id) => onGo('checks', id)}
          />
        )}
        {shelf === 'checks' && (
          <CheckCard
            catalogue={catalogue}
            id={chosen}
            instrument={instrument}
            onCause={(id) => onGo('causes', id)}
          />
        )}
      </section>
    </div>
  );
}
