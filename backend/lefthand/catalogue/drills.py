"""What a drill is made of: recipes that a rung of an exercise carries, or that are tried freely.

A recipe is data. `lefthand.music` reads it and lays it under a hand.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import Any

from lefthand.values.errors import CatalogueError
from lefthand.values.knowledge_file import Record
from lefthand.values.vocabulary import FINGERS, Instrument, StopLook

MOST_OCTAVES = 2
BY = "by"
WHAT_IS_PLAYED = frozenset(("lines", "orders", "scale", "tune"))


class Each(StrEnum):
    """What the lines of a recipe are repeated for."""

    NOTHING = ""
    FINGER = "finger"
    PAIR = "pair"
    STRING = "string"


class Strings(StrEnum):
    """On which strings the passes of a recipe lie, in this order."""

    USUAL = "usual"
    NEIGHBOURS = "neighbours"
    UP = "up"
    UP_AND_DOWN = "up and down"
    ANY_ORDER = "any order"
    LOWEST = "lowest"
    TWO_LOWEST = "two lowest"
    HIGHEST = "highest"
    TWO_HIGHEST = "two highest"


class Stops(StrEnum):
    """Where a tune stops for the hand."""

    NONE = "none"
    FINGER = "before the finger"
    PHRASES = "at phrase ends"


@dataclass(frozen=True, slots=True)
class Orders:
    """Bars of four fingers, every bar another order.

    silent: fingers that rest where their turn is; then_sounding: they sound in the second half.
    rested: a rest before each note. short: notes are short.
    """

    silent: tuple[int, ...] = ()
    then_sounding: bool = False
    rested: bool = False


@dataclass(frozen=True, slots=True)
class Scale:
    """Up and down. `halves`: half notes, else quarters. `tap`: the thumb taps once a bar."""

    octaves: int
    halves: bool
    tap: bool


@dataclass(frozen=True, slots=True)
class TuneWish:
    """start: the finger on which it begins, None for any. narrow: it stays on one string. looks:
    what is looked at at each stop, all where nothing else is said."""

    stops: Stops
    start: int | None
    narrow: bool
    looks: tuple[StopLook, ...] = ()


@dataclass(frozen=True, slots=True)
class Recipe:
    """One of `lines`, `orders`, `scale` and `tune` says what is played.

    lines: bars in the notation of `lefthand.music.phrase`. holds: repetitions of the exercise that
    one pass through the lines makes. slur: notes under one slur, 0 for none. chromatic: the
    exercise is about semitones, so the music need not lie in an easy key.
    """

    id: str
    title: str
    hint: str
    instruments: frozenset[Instrument]
    lines: tuple[str, ...]
    orders: Orders | None
    scale: Scale | None
    tune: TuneWish | None
    each: Each
    strings: Strings
    holds: int
    slur: int
    position: int | None
    frame: str | None
    chromatic: bool


Recipes = Mapping[Instrument, Recipe]


def read_recipes(records: list[Record]) -> dict[str, Mapping[str, Any]]:
    """The raw recipes of a file by id. Raises CatalogueError for one that cannot be read."""
    raw: dict[str, Mapping[str, Any]] = {record.id: record.rest() for record in records}
    for name, fields in raw.items():
        recipes_by_instrument("drills.yaml", name, {"drill": name}, {name: fields})
    return raw


def recipes_by_instrument(
    file: str, where: str, wanted: Mapping[str, Any], raw: Mapping[str, Mapping[str, Any]]
) -> Recipes:
    """A recipe for every instrument that has it: the one named by `drill`, changed by the other
    fields that are `wanted`, and by what stands under `by` for an instrument.

    Raises CatalogueError naming file and record.
    """
    name = str(wanted.get("drill"))
    if name not in raw:
        raise CatalogueError(file, where, f"drill: unknown drill {name!r}")
    own = {k: v for k, v in wanted.items() if k not in ("drill", BY)}
    replaces = WHAT_IS_PLAYED & own.keys()
    by = {**({} if replaces else raw[name].get(BY, {})), **wanted.get(BY, {})}
    unknown = set(by) - set(Instrument)
    if unknown:
        raise CatalogueError(file, where, f"{BY}: unknown instrument {min(unknown)!r}")
    found = {}
    for instrument in Instrument:
        fields = {k: v for k, v in raw[name].items() if k != BY}
        for change in (own, by.get(instrument.value, {})):
            if WHAT_IS_PLAYED & change.keys():
                fields = {k: v for k, v in fields.items() if k not in WHAT_IS_PLAYED}
            fields.update(change)
        recipe = _recipe(Record(file, where, fields), name)
        if instrument in recipe.instruments:
            found[instrument] = recipe
    return found


def _recipe(record: Record, name: str) -> Recipe:
    recipe = Recipe(
        id=name,
        title=record.text("title"),
        hint=record.text("hint", default=""),
        instruments=record.instruments(),
        lines=tuple(record.words("lines", [])),
        orders=_orders(record),
        scale=_scale(record),
        tune=_tune(record),
        each=record.choice("each", Each, default=Each.NOTHING),
        strings=record.choice("strings", Strings, default=Strings.USUAL),
        holds=record.whole("holds", 1, 8, default=1),
        slur=record.whole("slur", 0, 8, default=0),
        position=record.whole("position", 0, 5, default=None),
        frame=record.text("frame", default="") or None,
        chromatic=record.flag("chromatic"),
    )
    ways = [
        bool(recipe.lines),
        *(w is not None for w in (recipe.orders, recipe.scale, recipe.tune)),
    ]
    if sum(ways) != 1:
        record.fail("expected one of lines, orders, scale and tune")
    record.done()
    return recipe


def _part(record: Record, field: str) -> Record | None:
    raw = record.take(field, None)
    return None if raw is None else Record(record.file, f"{record.id}.{field}", raw)


def _orders(record: Record) -> Orders | None:
    part = _part(record, "orders")
    if part is None:
        return None
    silent = part.take("silent", [])
    if not isinstance(silent, list) or not set(silent) <= set(FINGERS):
        part.fail(f"silent: expected fingers 1 to 4, got {silent!r}")
    orders = Orders(tuple(silent), part.flag("then_sounding"), part.flag("rested"))
    part.done()
    return orders


def _scale(record: Record) -> Scale | None:
    part = _part(record, "scale")
    if part is None:
        return None
    scale = Scale(
        part.whole("octaves", 1, MOST_OCTAVES, default=1), part.flag("halves"), part.flag("tap")
    )
    part.done()
    return scale


def _tune(record: Record) -> TuneWish | None:
    part = _part(record, "tune")
    if part is None:
        return None
    stops = part.choice("stops", Stops, default=Stops.NONE)
    tune = TuneWish(
        stops,
        part.whole("start", 0, 4, default=None),
        part.flag("narrow"),
        _looks(part, stops),
    )
    part.done()
    return tune


def _looks(part: Record, stops: Stops) -> tuple[StopLook, ...]:
    if stops is Stops.NONE:
        return ()
    asked = part.words("looks", list(StopLook))
    if not set(asked) <= set(StopLook):
        part.fail(f"looks: expected any of {', '.join(StopLook)}, got {asked!r}")
    return tuple(look for look in StopLook if look in asked)
