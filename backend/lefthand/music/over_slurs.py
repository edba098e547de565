"""Finger numbers clear of slurs: the engraver sets most of them over a slur, and now and then one
on it."""

import re
from collections.abc import Iterator, Sequence

_SLUR = re.compile(
    r'<g [^>]*class="slur[^"]*">\s*<path d="M(-?\d+),(-?\d+) '
    r"C(-?\d+),(-?\d+) (-?\d+),(-?\d+) (-?\d+),(-?\d+)"
)
_FINGER = re.compile(
    r'(<g [^>]*class="fing">\s*<text x=")(-?\d+)(" y=")(-?\d+)'
    r'("[\s\S]*?font-size="([1-9]\d*)px"[\s\S]*?</g>)'
)
STEPS = 24  # along a curve
TALL = 0.7  # of the size of the type
WIDE = 0.3  # half a number
CLEAR = 60  # units of the engraver: a third of a space

Curve = Sequence[tuple[float, float]]


def over_slurs(svg: str) -> str:
    """A picture of the engraver with each number that met a slur lifted over it."""
    curves = list(_curves(svg))
    return _FINGER.sub(lambda found: _lifted(found, curves), svg) if curves else svg


def _curves(svg: str) -> Iterator[Curve]:
    """The outer edge of each slur: a cubic curve by its four points."""
    for found in _SLUR.finditer(svg):
        (x0, y0), (x1, y1), (x2, y2), (x3, y3) = zip(
            *[iter(float(n) for n in found.groups())] * 2, strict=True
        )
        yield [
            (
                (1 - t) ** 3 * x0 + 3 * (1 - t) ** 2 * t * x1 + 3 * (1 - t) * t**2 * x2 + t**3 * x3,
                (1 - t) ** 3 * y0 + 3 * (1 - t) ** 2 * t * y1 + 3 * (1 - t) * t**2 * y2 + t**3 * y3,
            )
            for t in (step / STEPS for step in range(STEPS + 1))
        ]


def _lifted(found: re.Match[str], curves: Sequence[Curve]) -> str:
    before, x, between, y, after, size = found.groups()
    centre, foot, half = int(x), int(y), WIDE * int(size)
    for curve in curves:
        here = [height for at, height in curve if abs(at - centre) <= half + CLEAR]
        top = foot - TALL * int(size)
        if here and min(here) < foot + CLEAR and max(here) > top - CLEAR:
            foot = round(min(here) - CLEAR)
    return f"{before}{x}{between}{foot}{after}"
