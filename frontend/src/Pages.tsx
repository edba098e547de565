import { type ComponentType } from 'react';
import { Route, Switch } from 'wouter';

import { late } from './components/late';
import { NotFound, PageBoundary } from './components/Problem';
import { Shell } from './Shell';

/** Each page comes when it is opened. */
function page<Name extends string>(load: () => Promise<Record<Name, ComponentType>>, name: Name) {
  return late(async () => (await load())[name]);
}

const TodayPage = page(() => import('./today/TodayPage'), 'TodayPage');
const PlayerPage = page(() => import('./player/PlayerPage'), 'PlayerPage');
const LessonPage = page(() => import('./lesson/LessonPage'), 'LessonPage');
const SheetPage = page(() => import('./sheet/SheetPage'), 'SheetPage');
const GroupsPage = page(() => import('./class/GroupsPage'), 'GroupsPage');
const SweepPage = page(() => import('./class/SweepPage'), 'SweepPage');
const CardsPage = page(() => import('./class/CardsPage'), 'CardsPage');
const RoundPage = page(() => import('./class/RoundPage'), 'RoundPage');
const LibraryPage = page(() => import('./library/LibraryPage'), 'LibraryPage');
const LettersPage = page(() => import('./letters/LettersPage'), 'LettersPage');
const PiecePage = page(() => import('./piece/PiecePage'), 'PiecePage');
const RepertoirePage = page(() => import('./repertoire/RepertoirePage'), 'RepertoirePage');
const DeskPage = page(() => import('./desk/DeskPage'), 'DeskPage');

export function Pages() {
  return (
    <Shell>
      <PageBoundary>
        <Switch>
          <Route path="/" component={TodayPage} />
          <Route path="/players/:playerId" component={PlayerPage} />
          <Route path="/players/:playerId/pieces/:pieceId" component={PiecePage} />
          <Route path="/players/:playerId/repertoire" component={RepertoirePage} />
          <Route path="/lessons/:lessonId" component={LessonPage} />
          <Route path="/lessons/:lessonId/sheet" component={SheetPage} />
          <Route path="/class" component={GroupsPage} />
          <Route path="/class/:groupId" component={SweepPage} />
          <Route path="/class/:groupId/cards" component={CardsPage} />
          <Route path="/class/:groupId/round" component={RoundPage} />
          <Route path="/library" component={LibraryPage} />
          <Route path="/letters" component={LettersPage} />
          <Route path="/desk" component={DeskPage} />
          <Route component={NotFound} />
        </Switch>
      </PageBoundary>
    </Shell>
  );
}
