"""A recipe laid under a hand: the music of a drill.

Every drill is playable by construction: each note is asked of one string and one finger of the hand
in its position and frame. The same request gives the same drill.
"""

import random
from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Any

from lefthand.catalogue.catalogue import Catalogue
from lefthand.catalogue.drills import Each, Recipe, Strings
from lefthand.composing.tune_drill import tune_drill
from lefthand.music.keys import key_of, key_with
from lefthand.music.patterns import order_bars
from lefthand.music.phrase import Names, read_bar
from lefthand.music.request import HIGHEST_STRING, MAX_BARS, DrillHand, DrillRequest, check_request
from lefthand.music.scales import scale_drill
from lefthand.music.score import Drill, Event, into_bars, rest, rests_of
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument

DEFAULT_TEMPO = 60
ONE_SLUR = 4

Bar = tuple[Event, ...]


def free_recipe(name: str, instrument: Instrument, catalogue: Catalogue) -> Recipe:
    """The recipe of a drill by its name. Raises InputError where the instrument has none."""
    if name not in catalogue.drills:
        raise InputError("drill", f"unknown drill {name!r}")
    recipe = catalogue.drills[name].get(instrument)
    if recipe is None:
        raise InputError("drill", f"{name} is not for {instrument.value!r}")
    return recipe


def make_drill(
    recipe: Recipe, request: DrillRequest, asked: Sequence[tuple[str, Any]] = ()
) -> Drill:
    """The music of a recipe. `asked` is kept with it, to make it again.

    Raises InputError naming the field that cannot be used.
    """
    check_request(request)
    if request.instrument not in recipe.instruments:
        raise InputError("instrument", f"{recipe.title} is not for {request.instrument.value!r}")
    if request.tune is not None and recipe.tune is None:
        raise InputError("tune", f"{recipe.title} plays no tune")
    hand = DrillHand(recipe, request)
    if recipe.tune is not None:
        drill = tune_drill(recipe, recipe.tune, hand)
    elif recipe.scale is not None:
        drill = scale_drill(recipe, recipe.scale, hand)
    else:
        drill = _in_key(recipe, hand, list(_bars(recipe, hand)))
    slur = recipe.slur or (ONE_SLUR if request.slurred else 0)
    bars = tuple(slurred(bar, slur) for bar in drill.bars) if slur else drill.bars
    if request.rests:
        empty = tuple(rest(length) for length in rests_of(drill.beats * rest().length))
        bars = tuple(bar for played in bars for bar in (played, empty))
    return replace(drill, bars=bars, asked=tuple(asked))


def _in_key(recipe: Recipe, hand: DrillHand, bars: Sequence[Bar]) -> Drill:
    pitches = [tone.pitch for bar in bars for event in bar for tone in event.tones]
    strings = [tone.string for bar in bars for event in bar for tone in event.tones]
    lowest = min(strings, default=hand.string)
    home = hand.board.strings[lowest if len(set(strings)) > 1 else (strings or [lowest])[0]]
    tempo = hand.request.tempo or DEFAULT_TEMPO
    played = any(tone.finger for bar in bars for event in bar for tone in event.tones)
    return Drill(
        recipe.id,
        recipe.title,
        hand.request.instrument,
        tempo,
        tuple(bars),
        key_of(pitches, home) if played else key_with(0, is_minor=False),
        recipe.hint,
    )


def _bars(recipe: Recipe, hand: DrillHand) -> Iterator[Bar]:
    if recipe.orders is not None:
        yield from into_bars(order_bars(recipe, recipe.orders, hand))
        return
    request = hand.request
    if request.bars is not None:
        yield from _until(request.bars, recipe, hand)
        return
    for names, strings in _groups(recipe, hand):
        passes = request.passes or 1
        for number in range(passes):
            bars = list(_pass(recipe, hand, names, strings[number % len(strings)]))
            is_cut = request.spare and number == passes - 1
            yield from _without_last(bars, request.spare / recipe.holds) if is_cut else bars


def _without_last(bars: Sequence[Bar], share: float) -> Iterator[Bar]:
    """The bars with rests in the place of this share of what sounds, counted from the end; bars in
    which nothing is left are left out."""
    left = round((1 - share) * sum(not event.is_rest for bar in bars for event in bar))
    for bar in bars:
        if left <= 0:
            return
        kept = []
        for event in bar:
            left -= not event.is_rest
            kept.append(event if left >= 0 else rest(event.length))
        yield tuple(kept)


def _until(count: int, recipe: Recipe, hand: DrillHand) -> Iterator[Bar]:
    """So many bars, going on to the next string and finger with each pass."""
    groups = list(_groups(recipe, hand))
    number, made = 0, 0
    while made < count:
        names, strings = groups[number % len(groups)]
        string = strings[number // len(groups) % len(strings)]
        for bar in _pass(recipe, hand, names, string):
            if made < count:
                yield bar
                made += 1
        number += 1


def _pass(recipe: Recipe, hand: DrillHand, names: Names, string: int) -> Iterator[Bar]:
    for line in recipe.lines:
        yield from into_bars(read_bar(line, hand, names, string))


def _groups(recipe: Recipe, hand: DrillHand) -> Iterator[tuple[Names, Sequence[int]]]:
    """What the lines are repeated for: which fingers the letters are, and on which strings."""
    strings = strings_of(recipe, hand)
    main = hand.targets[-1]
    if recipe.each is Each.FINGER:
        for finger in hand.targets:
            yield _names(hand, finger), strings
    elif recipe.each is Each.PAIR:
        for low, high in hand.pairs_of_interest():
            yield Names({"a": low, "b": high}), strings
    elif recipe.each is Each.STRING:
        for string in range(HIGHEST_STRING + 1):
            yield _names(hand, main), [string]
    else:
        yield _names(hand, main), strings


def _names(hand: DrillHand, finger: int) -> Names:
    return Names({"T": finger, "L": hand.lower_neighbour(finger)})


def strings_of(recipe: Recipe, hand: DrillHand) -> list[int]:
    """Strings (0 the lowest) of the passes, in their order."""
    own = hand.string
    if hand.request.string is not None:
        return [own]
    several = {
        Strings.USUAL: [own],
        Strings.NEIGHBOURS: sorted(range(4), key=lambda s: (abs(s - own), -s))[:3],
        Strings.UP: [0, 1, 2, 3],
        Strings.UP_AND_DOWN: [0, 1, 2, 3, 3, 2, 1, 0],
        Strings.LOWEST: [0],
        Strings.TWO_LOWEST: [0, 1],
        Strings.HIGHEST: [HIGHEST_STRING],
        Strings.TWO_HIGHEST: [HIGHEST_STRING, HIGHEST_STRING - 1],
    }
    if recipe.strings is Strings.ANY_ORDER:
        return _any_order(random.Random(hand.request.seed))
    return several[recipe.strings]


def _any_order(chooser: random.Random) -> list[int]:
    """All strings again and again, never twice running and never in a row from low to high."""
    order: list[int] = []
    while len(order) < MAX_BARS:
        some = chooser.sample(range(4), 4)
        in_a_row = some in ([0, 1, 2, 3], [3, 2, 1, 0])
        if not in_a_row and (not order or order[-1] != some[0]):
            order += some
    return order


def slurred(bar: Bar, count: int) -> Bar:
    """Up to `count` notes under one slur; a rest, a stop or a pluck ends it."""
    found = []
    bound = 0
    for event, following in zip(bar, (*bar[1:], None), strict=True):
        ends = following is None or following.is_rest or following.plucks or "stop" in event.marks
        if event.is_rest or event.plucks:
            found.append(event)
            bound = 0
            continue
        bound += 1
        if ends or bound == count:
            found.append(event)
            bound = 0
        else:
            found.append(replace(event, marks=event.marks | {"slur"}))
    return tuple(found)
