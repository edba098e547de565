import { createContext, useContext } from 'react';

import type { Schemas } from '../api/client';

type Thumb = Schemas['LessonOut']['thumb'];

/** Where the thumb of drawn hands stands, by the way this player is taught; the usual place outside of
 * lessons. */
export const ThumbPlace = createContext<Thumb>('');

export const useThumbPlace = (): Thumb => useContext(ThumbPlace);
