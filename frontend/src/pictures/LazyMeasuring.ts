import { late } from '../components/late';

export const loadMeasuring = () => import('./Measuring');

/** The measuring on a picture; it comes when a dialog for it opens. */
export const LazyMeasuring = late(async () => (await loadMeasuring()).Measuring);
