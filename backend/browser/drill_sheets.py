"""The music of all exercises as it stands on paper: `python -m browser.drill_sheets FOLDER`.

A picture an instrument and page, to be read through after a change of the music or its engraving.
"""

import sys
from collections import defaultdict
from pathlib import Path

from browser.chromium import chromium
from lefthand.music.on_paper import Density, set_drill
from lefthand.tests.drills import all_steps

DENSITY = Density(6.4, 24)
WIDTH = 180.0  # mm
ON_A_PAGE = 24
STYLE = """
body { margin: 12px; background: #fff; font: 12px sans-serif; columns: 3; column-gap: 16px; }
figure { break-inside: avoid; margin: 0 0 10px; } figcaption { margin-bottom: 2px; }
svg { display: block; max-width: 100%; height: auto; }
"""


def figures() -> dict[str, list[str]]:
    """HTML of each step, by instrument."""
    found: dict[str, list[str]] = defaultdict(list)
    for exercise, rung, instrument, _, drill in all_steps(fingers=((), (4,))):
        parts = set_drill(drill, WIDTH, DENSITY, strings_named=True)
        drawn = "".join(part.svg for part in parts)
        words = f"{exercise.name}, step {rung}: {exercise.words_of(rung, instrument)}"
        found[instrument.value].append(f"<figure><figcaption>{words}</figcaption>{drawn}</figure>")
    return found


def main(folder: Path) -> None:
    with chromium() as browser:
        page = browser.new_page(viewport={"width": 1800, "height": 1000})
        for instrument, drawn in figures().items():
            for first in range(0, len(drawn), ON_A_PAGE):
                those = "".join(drawn[first : first + ON_A_PAGE])
                page.set_content(f"<style>{STYLE}</style>{those}")
                name = f"drills-{instrument}-{first // ON_A_PAGE + 1:02}.png"
                page.screenshot(path=folder / name, full_page=True)


if __name__ == "__main__":
    main(Path(sys.argv[1]))
