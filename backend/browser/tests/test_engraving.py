"""Engraved music for page, paper and phone: numbers and words stand free of heads, stems, slurs and each other."""

from unittest import TestCase

from browser.chromium import shared_chromium
from lefthand.music.engraving import engrave
from lefthand.music.musicxml import DRAWN, to_musicxml
from lefthand.music.on_paper import Density, phone_lines, set_drill
from lefthand.tests.drills import all_steps
from lefthand.tests.effort import usually

PAPER = ((Density(7.6, 16), False), (Density(6.4, 24), True))
TOGETHER = 40
# A line of text has empty space above and below its letters: 22 and 24 % of its box.
OVERLAPS = """() => [...document.querySelectorAll('body > div')].map((music) => {
  const boxes = (which) => [...music.querySelectorAll(which)]
    .map((element) => ({ element, box: element.getBoundingClientRect() }))
    .filter(({ box }) => box.width > 0);
  const words = boxes('g.fing text, g.dir text').map(({ element, box }) => ({
    element,
    words: element.textContent.trim(),
    box: { left: box.left, right: box.right, top: box.top + 0.22 * box.height,
           bottom: box.bottom - 0.24 * box.height },
  }));
  const drawn = boxes('g.notehead, g.stem, g.accid, g.flag, g.rest, g.beam > polygon');
  const meet = (a, b) => Math.min(a.right, b.right) - Math.max(a.left, b.left) > 1
    && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1;
  const slurs = [...music.querySelectorAll('g.slur > path')].flatMap((path) => {
    const on = path.getScreenCTM();
    return Array.from({ length: 60 }, (_, step) =>
      path.getPointAtLength((step / 120) * path.getTotalLength()).matrixTransform(on));
  });
  const crosses = ({ box }) => slurs.some(({ x, y }) =>
    x > box.left + 1 && x < box.right - 1 && y > box.top + 1 && y < box.bottom - 1);
  return words.flatMap((one) => [
    ...(crosses(one) ? [`${one.words} on a slur`] : []),
    ...drawn.filter(({ box }) => meet(one.box, box))
      .map(({ element }) => `${one.words} on ${element.getAttribute('class') ?? 'beam'}`),
    ...words.filter((other) => other !== one && meet(one.box, other.box))
      .map((other) => `${one.words} on ${other.words}`),
  ]);
})"""


class Engraving(TestCase):
    seconds_each = 25

    def test_no_number_or_word_lies_on_a_note_or_on_another(self):
        drawn = []
        for exercise, rung, instrument, fingers, drill in list(all_steps(fingers=((), (4,))))[
            :: usually(10, 1)
        ]:
            where = f"{exercise.id} {rung} {instrument} {fingers}"
            for density, named in PAPER:
                parts = set_drill(drill, 180, density, strings_named=named)
                drawn += [(where, part.svg) for part in parts]
            drawn.append((f"{where}, page", engrave(to_musicxml(drill, shown=DRAWN))))
            drawn += [
                (f"{where}, phone", line.svg) for line in phone_lines(drill, strings_named=False)
            ]
        self.assertGreater(len(drawn), 100)
        page = shared_chromium().new_page(viewport={"width": 1400, "height": 1000})
        self.addCleanup(page.close)
        for first in range(0, len(drawn), TOGETHER):
            those = drawn[first : first + TOGETHER]
            page.set_content("".join(f'<div style="width: 1300px">{svg}</div>' for _, svg in those))
            found = page.evaluate(OVERLAPS)
            for (where, _), overlaps in zip(those, found, strict=True):
                with self.subTest(where):
                    self.assertEqual(overlaps, [])
