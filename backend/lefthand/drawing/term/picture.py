"""The whole term picture as SVG, for the screen, the phone and a letter."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from html import escape

from lefthand.change.term import Term
from lefthand.drawing.term.ground import LENGTHS, WEEK, Ground, Mark, Row, Size, number, text
from lefthand.drawing.term.lanes import draw_events, draw_measures, draw_months, draw_practice
from lefthand.drawing.term.strings import NAME_ABOVE, draw_string, row_height, shown_strings

TERM_WEEKS = 16
YEAR_WEEKS = 52
TOP = 74
FEWEST_WEEKS = 4

# Colours where no page gives them: a file, a letter. "paper" prints on white.
LIGHT: Mapping[str, str] = {
    "ink": "#26211b", "soft": "#5d5446", "line": "#b9ac96", "faint": "#ded4c1",
    "paper": "#f6f1e7", "green": "#20574a", "red": "#a3231a", "sheath": "#d3c7b1",
}  # fmt: skip
PAPER: Mapping[str, str] = {**LIGHT, "paper": "#ffffff", "sheath": "#d5d0c6", "faint": "#e3e0da"}


class Span(StrEnum):
    TERM = "term"
    YEAR = "year"
    ALL = "all"


@dataclass(frozen=True, slots=True)
class TermPicture:
    """svg: without colours of its own unless they were asked for. folded: names of what is free and
    not drawn."""

    svg: str
    width: float
    height: float
    marks: Sequence[Mark]
    rows: Sequence[Row]
    folded: Sequence[str]


def term_picture(
    term: Term, size: Size, span: Span = Span.TERM, colours: Mapping[str, str] | None = None
) -> TermPicture:
    """The picture of the newest weeks of a term. `colours`: written into the file; None where the
    page has them."""
    start, end = window(term, span)
    ground = Ground(term, size, start, end)
    drawn, folded = shown_strings(ground)
    draw_months(ground)
    height = row_height(ground, drawn)
    for n, string in enumerate(drawn):
        draw_string(ground, string, TOP + n * height, is_first=n == 0)
    bottom = TOP + len(drawn) * height - 8
    head = NAME_ABOVE if ground.is_narrow else 0
    draw_events(ground, [TOP + head + n * height for n in range(len(drawn))], bottom)
    below = bottom + 4
    if folded:
        below = _say_folded(ground, [each.name for each in folded], below)
    below = draw_measures(ground, draw_practice(ground, below))
    body = "".join([*ground.behind, *ground.parts, *ground.over])
    width = LENGTHS[size].width
    svg = _svg(width, below + 4, _title(term), body, colours)
    return TermPicture(
        svg, width, below + 4, ground.marks, ground.rows, [each.name for each in folded]
    )


def window(term: Term, span: Span) -> tuple[int, int]:
    """The first and the last day shown: up to today, and some weeks at least, so that one lesson is
    no wall; the first day may lie before the first lesson."""
    end = term.last + 1
    weeks = {Span.TERM: TERM_WEEKS, Span.YEAR: YEAR_WEEKS}.get(span)
    start = 0 if weeks is None else max(0, end - weeks * WEEK)
    return min(start, end - FEWEST_WEEKS * WEEK), end


def spans_of(term: Term) -> list[Span]:
    """The spans that differ from each other for this term."""
    weeks = term.last / WEEK
    return [
        Span.TERM,
        *([Span.YEAR] if weeks > TERM_WEEKS else []),
        *([Span.ALL] if weeks > YEAR_WEEKS else []),
    ]


def _title(term: Term) -> str:
    told = [f"{each.name}: {each.answer}" for each in term.strings]
    return ". ".join(["The term in a picture", *told])


def _say_folded(ground: Ground, names: Sequence[str], top: float) -> float:
    words = f"Free by now: {', '.join(names)}."
    x = ground.at.left
    ground.parts.append(text(x, top + 16, words, ground.at.small, "soft"))
    return top + 30


def _svg(
    width: float, height: float, title: str, body: str, colours: Mapping[str, str] | None
) -> str:
    style = f"<style>{style_of(colours)}</style>" if colours else ""
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{number(width)}" '
        f'height="{number(height)}" viewBox="0 0 {number(width)} {number(height)}" role="img" '
        f'aria-label="{escape(title)}" class="t-picture">{style}<defs>'
        '<pattern id="t-rest" width="6" height="6" patternUnits="userSpaceOnUse" '
        'patternTransform="rotate(45)"><line x1="0" y1="0" x2="0" y2="6" class="s-faint" '
        'stroke-width="2.4"/></pattern><pattern id="t-wind" width="7" height="7" '
        'patternUnits="userSpaceOnUse" patternTransform="rotate(22)"><line x1="3" y1="0" x2="3" '
        'y2="7" class="s-paper" stroke-opacity="0.34" stroke-width="1.6"/></pattern></defs>'
        f"{body}</svg>"
    )


def style_of(colours: Mapping[str, str]) -> str:
    """The classes of the picture in these colours."""
    told = [
        "text{font-family:'Atkinson Hyperlegible Next',sans-serif}",
        ".t-serif{font-family:'Literata',serif}.t-bold{font-weight:700}.t-serif.t-bold{font-weight:600}",
        f".t-halo{{paint-order:stroke;stroke:{colours['paper']};stroke-width:5;stroke-linejoin:round}}",
        ".f-wound{fill:url(#t-wind)}.t-chance{opacity:.6}",
    ]
    for kind, colour in colours.items():
        told.append(
            f".t-{kind}{{fill:{colour}}}.f-{kind}{{fill:{colour}}}.s-{kind}{{stroke:{colour}}}"
        )
    return "".join(told)
