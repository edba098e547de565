"""What is looked at where a tune stops: one sign for each, drawn by ourselves so that it looks
alike on page, paper and phone; letters in a file that other programs read."""

import re
from collections.abc import Sequence

from lefthand.values.vocabulary import StopLook
from lefthand.words import told

# Lines in a box of 24 by 24: a thumb's tip with its nail, a bent arm, an arched finger on a string.
BOX = 24
STROKE = 2.2
SIGNS = {
    StopLook.THUMB: "M6.5 22V11a5.5 7 0 0 1 11 0V22M10 12.5V11a2 2.6 0 0 1 4 0v1.5",
    StopLook.ELBOW: "M6 3v10q0 7 7 7h8",
    StopLook.FINGER: "M3 22h18M4 15v-2q0 -9 7 -9t7 9v7",
}
# In units of the engraver: a box, from one to the next, and how far below the letters' line.
_SIDE, _STEP, _BELOW = 320, 365, 110
# Between two letters, so that the engraver keeps as much room as the signs need.
_GAP = "\u00a0" * 3
_ORDERS = ("tef", "te", "tf", "ef", "t", "e", "f")
_LETTERS = "|".join(_GAP.join(order) for order in _ORDERS)
_SAID = re.compile(
    r'(<g [^>]*class="dir")>\s*<text x="(-?\d+)" y="(-?\d+)"[^>]*>'
    rf"(?:\s*<tspan[^>]*>)+({_LETTERS})(?:</tspan>\s*)+</text>"
)


def signs_on_paper(looks: Sequence[StopLook]) -> list[dict[str, str]]:
    """Each sign alone as `svg`, with its `words`."""
    return [{"svg": _alone(look), "words": look_words(look)} for look in looks]


def look_words(look: StopLook) -> str:
    return told(f"look-{look}")


def _alone(look: StopLook) -> str:
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {BOX} {BOX}"><path fill="none" '
        f'stroke="#000" stroke-width="{STROKE}" stroke-linecap="round" d="{SIGNS[look]}"/></svg>'
    )


def letters(looks: Sequence[StopLook]) -> str:
    """As a file says them: "t e f", with wide spaces."""
    return _GAP.join(look[0] for look in looks)


def with_signs(svg: str) -> str:
    """A picture of the engraver with the signs in the place of their letters."""
    return _SAID.sub(_drawn, svg)


def _drawn(said: re.Match[str]) -> str:
    group, x, y, spelled = said.groups()
    by_letter = {look[0]: look for look in StopLook}
    asked = spelled.split()
    scale = _SIDE / BOX
    left = int(x) - ((len(asked) - 1) * _STEP + _SIDE) // 2
    top = int(y) - _SIDE + _BELOW
    signs = "".join(
        f'<path transform="translate({left + place * _STEP} {top}) scale({scale:.4g})" '
        f'd="{SIGNS[by_letter[letter]]}"/>'
        for place, letter in enumerate(asked)
    )
    style = f'fill="none" stroke="currentColor" stroke-width="{STROKE}" stroke-linecap="round"'
    return f'{group}><g {style} stroke-linejoin="round">{signs}</g>'
