"""A traditional tune laid under a hand, so that the wanted finger plays its strong notes."""

from collections.abc import Iterator, Sequence, Set
from dataclasses import dataclass, replace
from functools import cache, lru_cache

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.catalogue.drills import Recipe, Stops, TuneWish
from lefthand.catalogue.tunes import Mode, Tune, TuneNote
from lefthand.music.hands import FRAMES, POSITIONS, usual_frame
from lefthand.music.keys import FIFTHS, key_with, spelled_in
from lefthand.music.request import HIGHEST_STRING, MAX_BARS, MIDDLE, DrillHand, DrillRequest
from lefthand.music.score import Drill, Event, Key, Tone, into_bars
from lefthand.music.strings import Pitch
from lefthand.passage.harder import asks_of, load_beside
from lefthand.passage.of_drill import passage_of_drill
from lefthand.passage.passage import Asked
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument, Level
from lefthand.words import told

USUAL_TEMPO = 72
# The drill that plays a tune without stops.
AS_IT_IS = "easy_tune"
HALF_POSITION = 0
NARROW_SPAN = 7
MOST_NARROW_BARS = MAX_BARS // 4
BEST_TUNES, LEAST_CHOICE = 6, 4
STRONG = 2
NEARLY_AS_GOOD = 0.5
SIGNS_ENOUGH = 4
# Signatures that a mode has more or fewer than the minor key on the same tonic.
DORIAN_FIFTHS = 1


@dataclass(frozen=True, slots=True)
class _Placed:
    """A tune on its places. `hits`: share of the tune's weight that wanted fingers play."""

    tune: Tune
    key: Key
    tones: tuple[Tone | None, ...]
    hits: float
    begins: bool
    position: int


def tune_drill(recipe: Recipe, wish: TuneWish, hand: DrillHand) -> Drill:
    """One of the tunes that answer best, another one with another seed.

    Raises InputError when none lies under this hand.
    """
    chosen = _choose(hand, wish)
    placed = [chosen]
    if wish.narrow:
        same = replace(
            hand,
            request=replace(
                hand.request, frame=hand.request.frame or usual_frame(hand.request.instrument)
            ),
        )
        on_each = (_placed(chosen.tune, same, wish, s) for s in range(HIGHEST_STRING + 1))
        placed = [each for each in on_each if each is not None]
    events = [event for each in placed for event in _events(each, wish, hand)]
    bars = into_bars(events, chosen.tune.beats)
    return Drill(
        recipe.id,
        _title(chosen, hand),
        hand.request.instrument,
        hand.request.tempo or USUAL_TEMPO,
        bars,
        placed[0].key,
        recipe.hint,
        credit=f"traditional, {chosen.tune.origin}",
        beats=chosen.tune.beats,
        looks=wish.looks,
        keys=tuple(
            (index * len(bars) // len(placed), each.key)
            for index, each in enumerate(placed)
            if index
        ),
    )


def _title(chosen: _Placed, hand: DrillHand) -> str:
    """With the position where it is not the hand's own: in the title, which children read, too."""
    title = chosen.tune.title
    return title if chosen.position == hand.position else told("music-half", title=title)


def _choose(hand: DrillHand, wish: TuneWish) -> _Placed:
    """The one that was asked for; else of the tunes that answer best, one in which little else is
    hard; the seed decides."""
    if hand.request.tune is not None:
        return _asked_for(hand.request.tune, hand, wish)
    best = lightest_tunes(_plain(hand, wish), wish)
    if _stops_nowhere(best, wish) and (lower := _half_position(hand)) is not None:
        there = lightest_tunes(_plain(lower, wish), wish)
        if there[0].begins and not _stops_nowhere(there, wish):
            best = there
    return best[hand.request.seed % len(best)]


def _stops_nowhere(best: Sequence[_Placed], wish: TuneWish) -> bool:
    """It is to stop for a finger, and begins as asked only where that one has nothing to play."""
    return wish.stops is Stops.FINGER and any(placed.hits == 0 for placed in best)


def _half_position(hand: DrillHand) -> DrillHand | None:
    """The same hand a half step lower, where the instrument has that and no place was asked for."""
    request = hand.request
    if request.position is not None or HALF_POSITION not in POSITIONS[request.instrument]:
        return None
    return replace(hand, request=replace(request, position=HALF_POSITION))


def _asked_for(name: str, hand: DrillHand, wish: TuneWish) -> _Placed:
    """In the usual frame where it lies under that, else in the first other one; a frame that was
    asked for stays."""
    tune = load_catalogue().tunes.get(name)
    if tune is None:
        raise InputError("tune", f"unknown tune {name!r}")
    frames = (
        [hand.request.frame] if hand.request.frame else [None, *FRAMES[hand.request.instrument]]
    )
    for frame in frames:
        plain = _plain(replace(hand, request=replace(hand.request, frame=frame)), wish)
        placed = _placed(tune, plain, wish, plain.string if wish.narrow else None)
        if placed is not None:
            return placed
    raise InputError(
        "tune", f"{tune.title} does not lie under this hand; take another position or frame"
    )


@lru_cache(maxsize=len(Instrument))
def tunes_of(instrument: Instrument) -> tuple[Tune, ...]:
    """Those that lie under some hand of the instrument in its first position, by title."""
    catalogue = load_catalogue()
    recipe = catalogue.drills[AS_IT_IS][instrument]
    tunes = sorted(catalogue.tunes.values(), key=lambda tune: tune.title)
    return tuple(tune for tune in tunes if _lies(tune, recipe, DrillRequest(instrument)))


def _lies(tune: Tune, recipe: Recipe, request: DrillRequest) -> bool:
    if recipe.tune is None:
        return False
    try:
        _asked_for(tune.id, DrillHand(recipe, request), recipe.tune)
    except InputError:
        return False
    return True


def _plain(hand: DrillHand, wish: TuneWish) -> DrillHand:
    """The same hand without what makes no difference to a tune, so that what is known of it is
    found again."""
    request = replace(
        hand.request,
        string=hand.request.string if wish.narrow else None,
        position=hand.position,
        frame=hand.request.frame or hand.recipe.frame,
        bars=None,
        passes=None,
        spare=0,
        difficulty=MIDDLE,
        rests=False,
        slurred=False,
        seed=0,
        tune=None,
    )
    recipe = replace(
        hand.recipe, id="", title="", hint="", holds=1, slur=0, position=None, frame=None
    )
    return DrillHand(recipe, request)


@lru_cache(maxsize=512)
def lightest_tunes(hand: DrillHand, wish: TuneWish) -> tuple[_Placed, ...]:
    """The lighter ones of the best, by what they ask beside the wanted finger."""
    best = best_tunes(hand, wish)
    loads = [asked_beside(each, wish, hand) for each in best]
    ranked = sorted(range(len(best)), key=lambda place: (loads[place], place))
    kept = sorted(ranked[: max(LEAST_CHOICE, len(best) // 2)])
    return tuple(best[place] for place in kept)


def asked_beside(placed: _Placed, wish: TuneWish, hand: DrillHand) -> float:
    """What a bar weighs over all causes, without what counts for one finger alone."""
    request = hand.request
    drill = Drill(
        "tune",
        placed.tune.title,
        request.instrument,
        request.tempo or USUAL_TEMPO,
        into_bars(_events(placed, wish, hand), placed.tune.beats),
        placed.key,
        beats=placed.tune.beats,
    )
    asked = Asked(request.instrument, level=request.level)
    return load_beside(asks_of(passage_of_drill(drill, asked)))


def best_tunes(hand: DrillHand, wish: TuneWish) -> list[_Placed]:
    """By what begins as asked, by level, by how much the wanted finger plays."""
    plain = replace(hand.request, tempo=None, passes=None, seed=0, level=Level.BEGINNER)
    found = list(_all_placed(replace(hand, request=plain), wish))
    if not found:
        raise InputError("drill", "no tune lies under this hand; take the first position")
    level = hand.request.level.rank
    found.sort(
        key=lambda p: (
            not p.begins,
            max(0, p.tune.level.rank - level),
            -round(p.hits, 2),
            -p.tune.level.rank,
            p.tune.id,
        )
    )
    first = found[0]
    return [
        p
        for p in found[:BEST_TUNES]
        if p.begins == first.begins and p.hits >= NEARLY_AS_GOOD * first.hits
    ]


@lru_cache(maxsize=256)
def _all_placed(hand: DrillHand, wish: TuneWish) -> tuple[_Placed, ...]:
    """Every tune that lies under this hand, once for all players with the same hand."""
    tunes = [
        tune
        for tune in load_catalogue().tunes.values()
        if not wish.narrow or (tune.span <= NARROW_SPAN and tune.bars <= MOST_NARROW_BARS)
    ]
    string = hand.string if wish.narrow else None
    found = (_placed(tune, hand, wish, string) for tune in tunes)
    return tuple(placed for placed in found if placed is not None)


def _placed(tune: Tune, hand: DrillHand, wish: TuneWish, string: int | None) -> _Placed | None:
    """The tune from the tonic that begins as asked, in a key of few signs, in which the wanted
    finger plays most; None when it lies under this hand from no tonic."""
    places = _places(hand, string)
    wanted = _wanted(hand, wish)
    found = []
    steps = {note.semitones for note in tune.notes if note.semitones is not None}
    for tonic in range(min(places) - 12, max(places) + 1):
        if not all(tonic + step in places for step in steps):
            continue
        key = _key_on(tonic % 12, tune.mode)
        if key is None:
            continue
        tones = _from_tonic(tune, tonic, places, wanted, key)
        begins = _begin(tones, places, wish.start)
        weight = [_weight(note, tune) for note in tune.notes]
        heard = sum(w for w, tone in zip(weight, tones, strict=True) if tone)
        hits = sum(
            w for w, tone in zip(weight, tones, strict=True) if tone and tone.finger in wanted
        )
        found.append(_Placed(tune, key, tuple(tones), hits / heard, begins, hand.position))
    return min(
        found,
        key=lambda p: (
            not p.begins,
            abs(p.key.fifths) > SIGNS_ENOUGH,
            -round(p.hits, 2),
            abs(p.key.fifths),
        ),
        default=None,
    )


def _wanted(hand: DrillHand, wish: TuneWish) -> set[int]:
    """The aimed-at fingers; the highest one where a tune stops for a finger and none was named."""
    if hand.is_aimed:
        return set(hand.targets)
    return {hand.fingers[-1]} if wish.stops is Stops.FINGER else set()


def _places(hand: DrillHand, string: int | None) -> dict[int, list[Tone]]:
    places: dict[int, list[Tone]] = {}
    for each in range(HIGHEST_STRING + 1) if string is None else [string]:
        for finger in (0, *hand.fingers):
            tone = hand.tone(finger, each)
            places.setdefault(tone.pitch.midi, []).append(tone)
    return places


def _from_tonic(
    tune: Tune, tonic: int, places: dict[int, list[Tone]], wanted: set[int], key: Key
) -> list[Tone | None]:
    """A note that two places have goes to a wanted finger; None for a rest."""
    tones: list[Tone | None] = []
    for note in tune.notes:
        if note.semitones is None:
            tones.append(None)
            continue
        choices = places[tonic + note.semitones]
        tone = min(choices, key=lambda t: (t.finger not in wanted, t.finger))
        tones.append(replace(tone, pitch=spelled_in(tone.pitch, key)))
    return tones


def _begin(tones: list[Tone | None], places: dict[int, list[Tone]], start: int | None) -> bool:
    """Lay the first note on the finger asked for, where that has it; whether it begins as asked."""
    if start is None:
        return True
    index, first = next((i, tone) for i, tone in enumerate(tones) if tone is not None)
    other = next((t for t in places[first.pitch.midi] if t.finger == start), None)
    if other is not None:
        tones[index] = replace(other, pitch=first.pitch)
    return other is not None


def _weight(note: TuneNote, tune: Tune) -> float:
    """Strong notes count double: those on the first beat, and in four also on the third."""
    strong = note.beat == 0 or (tune.beats == 4 and note.beat == 2)
    return float(note.length) * (STRONG if strong else 1)


@cache
def _key_on(tonic: int, mode: Mode) -> Key | None:
    """The key of a tonic (0..11 from C) with so many signs as can be read; None for none."""
    for fifths in sorted(FIFTHS, key=abs):
        key = key_with(fifths, is_minor=mode.is_minor)
        if _midi_class(key.tonic) == tonic:
            if mode is not Mode.DORIAN:
                return key
            return Key(fifths + DORIAN_FIFTHS, key.tonic, is_minor=True)
    return None


def _midi_class(name: str) -> int:
    return (Pitch.parse(f"{name}4").midi) % 12


def _events(placed: _Placed, wish: TuneWish, hand: DrillHand) -> Iterator[Event]:
    wanted = _wanted(hand, wish)
    tune = placed.tune
    following: set[int] = set()
    if wish.stops is Stops.FINGER:
        # A cello's second finger has nothing to play in a tune that begins on its third.
        following = _stops_before(placed.tones, wanted) or _stops_before(placed.tones, {wish.start})
    for index, (note, tone) in enumerate(zip(tune.notes, placed.tones, strict=True)):
        stops = index in following or (wish.stops is Stops.PHRASES and note.ends)
        marks = frozenset({"stop"}) if stops and tone is not None else frozenset[str]()
        yield Event(note.length, (tone,) if tone is not None else (), marks)


def _stops_before(tones: Sequence[Tone | None], wanted: Set[int | None]) -> set[int]:
    """Indices of the notes after which the hand stops, as a wanted finger comes next that does not
    stand there already."""
    found = set()
    last = None
    for index, tone in enumerate(tones):
        if tone is not None:
            if last is not None and tone.finger in wanted and tones[last] != tone:
                found.add(last)
            last = index
    return found
