// Pictures of the places for paper: the same drawings as on the screen, in ink. The practice sheet
// reads them. After a change of the drawings: npm run pictures.
import { renderToStaticMarkup } from 'react-dom/server';
import { expect, test } from 'vitest';

import { PlacePicture } from './PlacePicture';
import { type Family, spotsOf } from './spots';

const INK = '#26211b';
const STYLE = `
.line,.thin,.hidden{fill:none;stroke:${INK};stroke-width:1.6;stroke-linecap:round;stroke-linejoin:round}
.thin{stroke:#8c8c8c;stroke-width:1.1}
.hidden{stroke:#6b6b6b;stroke-dasharray:5 5}
.skin{fill:#f4f4f4;stroke:${INK};stroke-width:1.6;stroke-linejoin:round}
.cover{fill:#f4f4f4}
.limbEdge{fill:none;stroke:${INK};stroke-linecap:round;stroke-linejoin:round}
.limbSkin{fill:none;stroke:#f4f4f4;stroke-linecap:round;stroke-linejoin:round}
.board{fill:#4a4a4a;stroke:${INK};stroke-width:1.2}
.neck{fill:#fff;stroke:${INK};stroke-width:1.4}
.string{fill:none;stroke:#cfcfcf}
.ring{fill:none;stroke:${INK};stroke-width:9}
`;
const FOLDER = '../../../backend/studio/paper/pictures';

const places = (['shoulder', 'standing'] as Family[]).flatMap((family) =>
  [...new Set(spotsOf(family).map((spot) => spot.place))].map((place) => ({ family, place })),
);

test.each(places)('$family $place', async ({ family, place }) => {
  const drawn = renderToStaticMarkup(<PlacePicture family={family} place={place} size={200} />);
  const svg = drawn.replace(
    /^<svg([^>]*)>/,
    (_, attributes: string) =>
      `<svg xmlns="http://www.w3.org/2000/svg"${attributes}><style>${STYLE}</style>`,
  );
  await expect(`${svg}\n`).toMatchFileSnapshot(`${FOLDER}/${family}-${place}.svg`);
});
