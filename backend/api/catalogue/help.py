"""Pages of help with the program's own figures in them."""

from collections.abc import Mapping

from api.catalogue.schemas import HelpInfo
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.doses import SHORT_BREAK_WEEKS, STRENGTH_ALWAYS_MINUTES
from lefthand.practice.keep_alive import RECHECK_WEEKS
from lefthand.practice.load import WEEKLY_GROWTH
from lefthand.practice.progress import DAYS_RUNNING, FAILED_LESSONS
from lefthand.practice.waits import OUT_AFTER_PAIN
from lefthand.reason.safety import EASE_OFF_DAYS, RED_PAIN, RED_WEEKS
from lefthand.sound.notes import METHOD_CENTS, least_at
from lefthand.values.measures import MEASURES, Measure
from lefthand.values.vocabulary import (
    DAYS_A_WEEK,
    LIKELY_ABOVE,
    POSSIBLE_ABOVE,
    VERY_LIKELY_ABOVE,
    Instrument,
)
from studio.desk.desk import FIXED_MEASURES
from studio.home.week_at_home import DAYS_OPEN
from studio.players.kept_time import TOLD_BEFORE, USUAL_MONTHS

SLOW, FAST = 2.0, 8.0  # notes a second
EDGES = "edges"


def figures() -> Mapping[str, str]:
    """By name, as they stand in a sentence."""
    *first, last = RECHECK_WEEKS
    return {
        "recheck": f"{', '.join(map(str, first))} and {last}",
        "very_likely": _percent(VERY_LIKELY_ABOVE),
        "likely": _percent(LIKELY_ABOVE),
        "possible": _percent(POSSIBLE_ABOVE),
        "always": f"{STRENGTH_ALWAYS_MINUTES:g}",
        "growth": _percent(WEEKLY_GROWTH - 1),
        "short_break": str(SHORT_BREAK_WEEKS),
        "running": str(DAYS_RUNNING),
        "failed": str(FAILED_LESSONS),
        "apart": str(OUT_AFTER_PAIN // DAYS_A_WEEK),
        "red_pain": str(RED_PAIN),
        "red_weeks": str(RED_WEEKS),
        "ease_days": str(EASE_OFF_DAYS),
        "cents": f"{METHOD_CENTS:.0f}",
        "least_slow": f"{min(_least(SLOW)):g}",
        "most_slow": f"{max(_least(SLOW)):g}",
        "least_fast": f"{min(_least(FAST)):g}",
        "most_fast": f"{max(_least(FAST)):g}",
        "open_days": str(DAYS_OPEN),
        "months": str(USUAL_MONTHS),
        "told_days": str(TOLD_BEFORE.days),
    }


def _least(speed: float) -> list[float]:
    """%, by instrument."""
    return [least_at(speed, instrument) for instrument in Instrument]


def help_pages() -> list[HelpInfo]:
    """All pages, their figures filled in."""
    told = figures()
    return [
        HelpInfo(
            id=page.id,
            title=page.title,
            screens=list(page.screens),
            text=[line for text in page.text for line in _lines(text, told)],
        )
        for page in load_catalogue().help.values()
    ]


def _lines(text: str, told: Mapping[str, str]) -> list[str]:
    return _edges() if text == f"{{{EDGES}}}" else [text.format(**told)]


def _edges() -> list[str]:
    """A point a measure: its three usual edges."""
    return [_edges_of(spec) for name, spec in MEASURES.items() if name not in FIXED_MEASURES]


def _edges_of(spec: Measure) -> str:
    over = "above" if spec.higher_is_worse else "below"
    slight, clear, strong = (f"{over} {_number(cut)}" for cut in spec.cuts)
    return f"- {spec.words}: slight {slight}, clear {clear}, strong {strong} {spec.unit}".rstrip()


def _number(value: float) -> str:
    return f"{value:g}"


def _percent(share: float) -> str:
    return f"{100 * share:.0f}"
