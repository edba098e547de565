import { createBrowserRouter } from 'react-router';

import { Shell } from './components/Shell';
import { NotFound, RouteProblem } from './components/Problem';

export const router = createBrowserRouter([
  {
    element: <Shell />,
    HydrateFallback: () => null,
    errorElement: <RouteProblem />,
    children: [
      {
        index: true,
        lazy: async () => ({ Component: (await import('./today/TodayPage')).TodayPage }),
      },
      {
        path: 'players/:playerId',
        lazy: async () => ({ Component: (await import('./player/PlayerPage')).PlayerPage }),
      },
      {
        path: 'lessons/:lessonId',
        lazy: async () => ({ Component: (await import('./lesson/LessonPage')).LessonPage }),
      },
      {
        path: 'lessons/:lessonId/sheet',
        lazy: async () => ({ Component: (await import('./sheet/SheetPage')).SheetPage }),
      },
      {
        path: 'class',
        lazy: async () => ({ Component: (await import('./class/GroupsPage')).GroupsPage }),
      },
      {
        path: 'class/:groupId',
        lazy: async () => ({ Component: (await import('./class/SweepPage')).SweepPage }),
      },
      {
        path: 'class/:groupId/cards',
        lazy: async () => ({ Component: (await import('./class/CardsPage')).CardsPage }),
      },
      {
        path: 'library',
        lazy: async () => ({ Component: (await import('./library/LibraryPage')).LibraryPage }),
      },
      {
        path: 'desk',
        lazy: async () => ({ Component: (await import('./desk/DeskPage')).DeskPage }),
      },
      { path: '*', element: <NotFound /> },
    ],
  },
]);
