import { lazy } from 'react';

export const loadMeasuring = () => import('./Measuring');

/** The measuring on a picture; it comes when a dialog for it opens. */
export const LazyMeasuring = lazy(async () => ({ default: (await loadMeasuring()).Measuring }));
