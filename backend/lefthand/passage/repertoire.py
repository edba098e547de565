"""Which piece is next for a hand: the one that asks one thing more than what it has played.

Working judgement, no source: a theme is new in a piece when it weighs at least half as much again
as in any piece so far, and the rise is a twentieth of what the heaviest of them weighs. All causes
weigh alike: what is new is new whether it is this player's trouble or not; where it is, that is
told beside it.
"""

from collections import defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from types import MappingProxyType

import yaml

from lefthand.passage.harder import LEAST_RISE, MORE, Asks, asked_in, load_of
from lefthand.passage.levels import weights
from lefthand.values.errors import CatalogueError
from lefthand.values.said import Said, said

FILE = Path(__file__).parents[1] / "catalogue" / "knowledge" / "themes.yaml"
LEAST_SHARE = 0.15  # of a cause's load, from which a theme is said to bring it back
MOST_CAUSES = 2
MOST_NEW = 3  # at once
LEAST_NEXT = 2
FINGER = "finger"  # the theme of one finger


@dataclass(frozen=True, slots=True)
class Candidate:
    """asks: points a bar by kind."""

    id: str
    title: str
    asks: Asks


@dataclass(frozen=True, slots=True)
class New:
    """One theme that a piece asks more of. rise: load a bar above all before. why: its demands,
    the most first. causes: the player's own that it brings back, the strongest first."""

    theme: str
    rise: float
    why: tuple[Said, ...]
    causes: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class Beside:
    """A candidate beside all that was played. new: the heaviest rise first, empty for nothing new.
    load: a bar."""

    candidate: Candidate
    new: tuple[New, ...]
    load: float


@cache
def themes() -> Mapping[str, tuple[str, ...]]:
    """Theme -> kinds of demand. Raises CatalogueError for a kind that is weighed and stands under
    no theme, or under two."""
    told = yaml.safe_load(FILE.read_text(encoding="utf-8"))
    found = {theme: tuple(kinds) for theme, kinds in told.items()}
    listed = sorted(kind for kinds in found.values() for kind in kinds)
    weighed = sorted({kind for each in weights().values() for kind in each})
    if listed != weighed:
        odd = sorted(set(weighed) ^ set(listed)) or [k for k in listed if listed.count(k) > 1]
        raise CatalogueError(FILE.name, "themes", f"each kind once: {odd}")
    return MappingProxyType(found)


def theme_said(theme: str, finger: int) -> Said:
    """By name; `finger`: whose theme the one of a finger is."""
    message = f"theme-{theme.replace('_', '-')}"
    return said(message, finger=said(f"finger-{finger}")) if theme == FINGER else said(message)


def by_theme(asks: Asks, finger: int) -> dict[str, float]:
    """Load a bar over all causes alike. finger: whose own demands count."""
    loads = load_of(asks, finger)
    return {theme: sum(loads.get(k, 0.0) for k in kinds) for theme, kinds in themes().items()}


def beside_all(
    candidates: Iterable[Candidate],
    before: Sequence[Asks],
    strengths: Mapping[str, float],
    finger: int,
) -> list[Beside]:
    """Each candidate beside the pieces that were played; strengths: cause -> how much it is this
    player's."""
    had = [by_theme(asks, finger) for asks in before]
    most = {theme: max((each[theme] for each in had), default=0.0) for theme in themes()}
    heaviest = max((sum(each.values()) for each in had), default=0.0)
    found = []
    for candidate in candidates:
        here = by_theme(candidate.asks, finger)
        new = [
            New(
                theme,
                load - most[theme],
                tuple(asked_in(candidate.asks, themes()[theme], finger)),
                _brought_back(candidate.asks, theme, strengths, finger),
            )
            for theme, load in here.items()
            if load - most[theme] >= LEAST_RISE * heaviest and load >= MORE * most[theme] and load
        ]
        new.sort(key=lambda each: (-each.rise, each.theme))
        found.append(Beside(candidate, tuple(new), sum(here.values())))
    return found


def next_ones(found: Sequence[Beside], most: int) -> list[Beside]:
    """Those with one new thing, and with two or three where fewer than two have less: those that
    are not this player's trouble first, then the smallest step; the same new things once."""
    chosen: dict[frozenset[str], Beside] = {}
    for count in range(1, MOST_NEW + 1):
        if len(chosen) < LEAST_NEXT:
            for each in sorted((e for e in found if len(e.new) == count), key=_by_step):
                chosen.setdefault(frozenset(new.theme for new in each.new), each)
    return list(chosen.values())[:most]


def _by_step(each: Beside) -> tuple[bool, float, str]:
    is_trouble = any(new.causes for new in each.new)
    return is_trouble, sum(new.rise for new in each.new), each.candidate.title


def to_rest_on(found: Sequence[Beside], most: int) -> list[Beside]:
    """Those with nothing new, the fullest first."""
    plain = [each for each in found if not each.new]
    return sorted(plain, key=lambda each: (-each.load, each.candidate.title))[:most]


def lightest(found: Sequence[Beside], most: int) -> list[Beside]:
    """To begin with, where nothing was played yet."""
    return sorted(found, key=lambda each: (each.load, each.candidate.title))[:most]


def _brought_back(
    asks: Asks, theme: str, strengths: Mapping[str, float], finger: int
) -> tuple[str, ...]:
    shares: dict[str, float] = defaultdict(float)
    for cause, strength in strengths.items():
        loads = load_of(asks, finger, {cause: strength})
        whole = sum(loads.values())
        own = sum(loads.get(kind, 0.0) for kind in themes()[theme])
        if whole and own / whole >= LEAST_SHARE:
            shares[cause] = own
    return tuple(sorted(shares, key=lambda cause: -shares[cause])[:MOST_CAUSES])
