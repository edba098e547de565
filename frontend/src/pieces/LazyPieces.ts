import { late } from '../components/late';

export const LazyPieces = late(async () => (await import('./Pieces')).Pieces);
