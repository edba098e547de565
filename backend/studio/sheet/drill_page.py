"""A drill as a page to print: whole, or with what is left to the player."""

import json
from pathlib import Path
from typing import Any

from lefthand.music.blanks import Blanks, with_blanks
from lefthand.music.engraving import flat_svg
from lefthand.music.on_paper import Density, set_drill
from lefthand.music.score import Drill
from lefthand.music.stop_signs import signs_on_paper
from lefthand.words import told
from studio.paper.setting import Paper, set_pdf

TEMPLATE = Path(__file__).with_name("drill.typ")
WIDTH = 175.0  # mm, on either paper
DENSITY = Density(staff=8.0, notes=24)
YOURS = {Blanks.NOTES: "drill-yours-notes", Blanks.BARS: "drill-yours-bars"}


def drill_pdf(drill: Drill, blanks: Blanks | None = None, paper: Paper = Paper.A4) -> bytes:
    """Raises InputError for music that cannot be drawn."""
    data = json.dumps(drill_data(drill, blanks))
    return set_pdf(TEMPLATE, {"drill": data, "paper": paper.value})


def drill_data(drill: Drill, blanks: Blanks | None) -> dict[str, Any]:
    """Widths of the music in mm."""
    printed = drill if blanks is None else with_blanks(drill, blanks)
    return {
        "title": drill.title,
        "of": ", ".join(filter(None, (drill.instrument.words, drill.credit))),
        "tempo": drill.tempo,
        "hint": drill.hint,
        "looks": signs_on_paper(drill.looks),
        "yours": "" if blanks is None else told(YOURS[blanks]),
        "alt": told("sheet-music-of", name=drill.title),
        "music": [
            {"svg": flat_svg(part.svg), "width": part.width}
            for part in set_drill(printed, WIDTH, DENSITY)
        ],
    }
