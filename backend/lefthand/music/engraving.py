"""Drills drawn as SVG with verovio, on the server."""

import re
from enum import StrEnum
from functools import lru_cache
from pathlib import Path
from typing import Any

import verovio

from lefthand.music.over_slurs import over_slurs
from lefthand.music.stop_signs import with_signs
from lefthand.values.errors import InputError

RESOURCES = str(Path(verovio.__file__).parent / "data")
SCALE = 40  # %
STAFF = 28.8  # four spaces at that scale, in units of the picture
PAGE_WIDTH = 2100
USUAL_ROOM = 6
TEXT_FONT = "Literata, Literata Variable, serif"
NEW_LINE = "new-system"
SIGN_FONT = "Noto Music"
# The quarter note of a metronome mark comes as a private glyph of the engraver's own font.
METRONOME_QUARTER = "\ueca5"
QUARTER_SIGN = "♩"
# Finger numbers and names of strings clear of the stems: 0.7 of a space, in units of the SVG.
LIFT = 126
_WORDS = re.compile(
    r'(<g [^>]*class="(?:fing|dir|tempo)"[^>]*>\s*<text [^>]*?y=")(-?\d+)("[\s\S]*?</text>)'
)
BELOW = ("keep ", ">+")  # which fingers stay down: the only words below the staff
_OWN_FONT_FACE = re.compile(r"<style[^>]*>\s*@font-face.*?</style>", re.DOTALL)


class Style(StrEnum):
    """How lines are filled: all to the width; on paper more tightly, the last one too; or each as
    wide as its notes need."""

    SCREEN = "screen"
    PAPER = "paper"
    NATURAL = "natural"


ON_PAPER: dict[str, object] = {
    "pageMarginTop": 26,
    "pageMarginBottom": 8,
    "pageMarginLeft": 18,
    "pageMarginRight": 0,
    "spacingLinear": 0.3,
    "spacingNonLinear": 0.55,
    "fingeringScale": 0.9,
    "lyricSize": 4.5,
    "minLastJustification": 0,
}
OPTIONS: dict[Style, dict[str, object]] = {
    Style.SCREEN: {},
    Style.PAPER: ON_PAPER,
    Style.NATURAL: ON_PAPER | {"noJustification": True, "adjustPageWidth": True},
}


@lru_cache(maxsize=256)
def engrave(
    musicxml: str,
    *,
    seed: int = 1,
    width: int = PAGE_WIDTH,
    room: int = USUAL_ROOM,
    style: Style = Style.SCREEN,
) -> str:
    """Our own MusicXML as one SVG picture with a viewBox and no fixed size.

    It takes its colour from where it stands. `seed` keeps the ids of two pictures on one page
    apart; `room` lies between two systems, in half spaces of the staff. Raises InputError when it
    cannot be read. Never pass it bytes from outside: it is not safe against hostile files.
    """
    # The engraver looks for its fonts per thread, so every toolkit is told where they are.
    toolkit: Any = verovio.toolkit(False)
    toolkit.setResourcePath(RESOURCES)
    toolkit.setOptions(
        {
            "scale": SCALE,
            "pageWidth": width,
            "pageHeight": 60000,
            "adjustPageHeight": True,
            "pageMarginTop": 20,
            "pageMarginBottom": 20,
            "pageMarginLeft": 10,
            "pageMarginRight": 10,
            "breaks": "encoded" if NEW_LINE in musicxml else "auto",
            "header": "none",
            "footer": "none",
            "svgViewBox": True,
            "svgRemoveXlink": True,
            "xmlIdSeed": seed,
            "spacingSystem": room,
            **OPTIONS[style],
        }
    )
    if not toolkit.loadData(musicxml):
        raise InputError("musicxml", "the music could not be drawn")
    svg = with_signs(_with_shipped_fonts(str(toolkit.renderToSVG(1))))
    return over_slurs(_WORDS.sub(_lifted, svg))


def _lifted(words: re.Match[str]) -> str:
    before, height, after = words.groups()
    return (
        words.group(0)
        if any(said in after for said in BELOW)
        else f"{before}{int(height) - LIFT}{after}"
    )


def size_of(svg: str) -> tuple[int, int]:
    """Width and height of a picture made by `engrave`, in its units; a staff is `STAFF` high."""
    found = re.search(r'<svg viewBox="0 0 (\d+) (\d+)"', svg)
    if found is None:
        raise InputError("svg", "expected a picture made by engrave()")
    return int(found.group(1)), int(found.group(2))


def _with_shipped_fonts(svg: str) -> str:
    svg = _OWN_FONT_FACE.sub("", svg)
    svg = svg.replace(METRONOME_QUARTER, QUARTER_SIGN)
    svg = svg.replace('font-family="Leipzig"', f'font-family="{SIGN_FONT}"')
    svg = svg.replace('font-family="Times, serif"', f'font-family="{TEXT_FONT}"')
    return svg.replace(' color="black"', "")


def flat_svg(svg: str) -> str:
    """The picture with its nested <svg> as a scaled group, for renderers that need it so."""
    inner = re.search(r'<svg class="definition-scale"[^>]*viewBox="0 0 (\d+) \d+">', svg)
    if inner is None:
        raise InputError("svg", "expected a picture made by engrave()")
    scale = size_of(svg)[0] / int(inner.group(1))
    group = f'<g transform="scale({scale:.6f})" font-family="Literata">'
    flat = svg[: inner.start()] + group + svg[inner.end() :]
    close = flat.rindex("</svg>", 0, flat.rindex("</svg>"))
    return flat[:close] + "</g>" + flat[close + len("</svg>") :]
