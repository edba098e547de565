"""The ground of the term picture: days to the right, lengths for screen, phone, letter; marks."""

from collections.abc import Sequence
from dataclasses import dataclass, field
from enum import StrEnum
from html import escape
from itertools import pairwise

from lefthand.change.term import Term

WEEK = 7
WEEKS_WITHOUT_YEAR = 43
LETTER_WIDTH = 0.53  # of the size, on average; what a label needs is estimated by it


class Size(StrEnum):
    WIDE = "wide"
    PAGE = "page"
    NARROW = "narrow"
    LETTER = "letter"


@dataclass(frozen=True, slots=True)
class Lengths:
    """Lengths in px of the picture. left, right: where the weeks begin and end. thick: of a string
    in full trouble. answer: size of what stands at the right; 0 where the page says it itself."""

    width: float
    left: float
    right: float
    thick: float
    name: float
    answer: float
    small: float
    riser: float
    stair: float


LENGTHS = {
    Size.WIDE: Lengths(1100, 190, 930, 40, 19, 22, 16, 5, 4),
    Size.PAGE: Lengths(936, 190, 930, 36, 19, 0, 16, 4, 4),
    Size.NARROW: Lengths(358, 6, 352, 28, 17, 18, 14, 4, 3),
    Size.LETTER: Lengths(700, 140, 590, 28, 15, 16, 13, 4, 3.4),
}


@dataclass(frozen=True, slots=True)
class Mark:
    """A part of the picture that says something: where it is, its words, and what it leads to."""

    x: float
    y: float
    width: float
    height: float
    words: str
    lesson: int | None = None
    cause: str | None = None


@dataclass(frozen=True, slots=True)
class Row:
    """A lane of the picture and the height of its middle, for what the page says beside it."""

    of: str
    key: str
    y: float


@dataclass
class Ground:
    """A picture that is being drawn. The window shown is `start`..`end`, in days of the term."""

    term: Term
    size: Size
    start: int
    end: int
    behind: list[str] = field(default_factory=list)
    parts: list[str] = field(default_factory=list)
    over: list[str] = field(default_factory=list)
    marks: list[Mark] = field(default_factory=list)
    rows: list[Row] = field(default_factory=list)

    @property
    def at(self) -> Lengths:
        return LENGTHS[self.size]

    @property
    def is_narrow(self) -> bool:
        return self.size is Size.NARROW

    @property
    def weeks(self) -> float:
        return (self.end - self.start) / WEEK

    @property
    def week_width(self) -> float:
        return (self.at.right - self.at.left) / max(self.weeks, 1)

    def x(self, day: float) -> float:
        """Where a day lies, held inside the window."""
        held = min(max(day, self.start), self.end)
        span = max(self.end - self.start, 1)
        return self.at.left + (self.at.right - self.at.left) * (held - self.start) / span

    def shows(self, day: float) -> bool:
        return self.start <= day <= self.end

    @property
    def lessons(self) -> list[int]:
        """Numbers of the lessons inside the window."""
        return [n for n, day in enumerate(self.term.lessons) if self.shows(day)]

    def say(self, day: int) -> str:
        """A day in words, with its year in a picture of most of a year and more."""
        on = self.term.date_of(day)
        return f"{on:%-d %B %Y}" if self.weeks > WEEKS_WITHOUT_YEAR else f"{on:%-d %B}"

    def mark(
        self, x: float, y: float, width: float, height: float, words: str,
        *, lesson: int | None = None, cause: str | None = None,
    ) -> None:  # fmt: skip
        self.marks.append(Mark(x, y, width, height, words, lesson, cause))


def number(value: float) -> str:
    """As short as a tenth of a px allows."""
    return f"{value:.1f}".removesuffix(".0")


def text(  # noqa: PLR0913 - one line of text
    x: float, y: float, words: str, size: float, kind: str = "ink",
    *, anchor: str = "start", is_serif: bool = False, is_bold: bool = False, halo: bool = False,
) -> str:  # fmt: skip
    names = [f"t-{kind}", *(["t-serif"] if is_serif else []), *(["t-bold"] if is_bold else [])]
    names += ["t-halo"] if halo else []
    return (
        f'<text x="{number(x)}" y="{number(y)}" font-size="{number(size)}" '
        f'text-anchor="{anchor}" class="{" ".join(names)}">{escape(words)}</text>'
    )


def line(
    x1: float, y1: float, x2: float, y2: float, kind: str, width: float = 1, dash: str = ""
) -> str:
    dashed = f' stroke-dasharray="{dash}"' if dash else ""
    return (
        f'<line x1="{number(x1)}" y1="{number(y1)}" x2="{number(x2)}" y2="{number(y2)}" '
        f'class="s-{kind}" stroke-width="{number(width)}"{dashed}/>'
    )


def path(d: str, kind: str) -> str:
    return f'<path d="{d}" class="f-{kind}"/>'


def room_for(words: str, size: float) -> float:
    """About how wide a line of text is."""
    return len(words) * size * LETTER_WIDTH


def wrapped(words: str, letters: int) -> list[str]:
    """Lines of at most so many letters, broken at spaces."""
    lines: list[str] = []
    for word in words.split():
        if lines and len(lines[-1]) + 1 + len(word) <= letters:
            lines[-1] += f" {word}"
        else:
            lines.append(word)
    return lines


def band(xs: Sequence[float], thickness: Sequence[float], middle: float, least: float) -> str:
    """The outline of a string whose thickness eases from point to point and never overshoots."""
    half = [max(least, each) / 2 for each in thickness]
    points = list(zip(xs, half, strict=True))
    upper = _eased([(x, middle - h) for x, h in points])
    lower = _eased([(x, middle + h) for x, h in reversed(points)])
    return f"M{upper}L{lower}Z"


def _eased(points: Sequence[tuple[float, float]]) -> str:
    told = f"{number(points[0][0])} {number(points[0][1])}"
    for (x1, y1), (x2, y2) in pairwise(points):
        between = number((x1 + x2) / 2)
        told += f"C{between} {number(y1)} {between} {number(y2)} {number(x2)} {number(y2)}"
    return told
