"""Two hands side by side: a sign not there and strong, an exercise right and wrong, or where a
movement begins and ends."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from types import MappingProxyType
from typing import Any

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.drawing.anatomy import DATA
from lefthand.drawing.free import between, free_pictures, free_poses
from lefthand.drawing.picture import ALONG, MAIN, Cut, Picture, bare, drawn, look
from lefthand.drawing.places import targets_of
from lefthand.drawing.posture import (
    AIMED,
    Posture,
    Sign,
    family_of,
    is_drawn,
    posture_of,
    postures,
    two_poses,
)
from lefthand.values.errors import CatalogueError
from lefthand.values.fields import read_flag, read_number
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.vocabulary import FINGERS, Grade, Instrument

SIGHT_WORDS = ("not there", "strong")
NEAR = 320.0  # picture units across, cut out around a place
NEAR_HEIGHT = 268.0
ARM_CUT = {"shoulder": Cut(60, 125, 540, 452), "standing": Cut(60, 128, 540, 452)}
LEAST_MOVE = 0.02
KEPT = 512
ALONG_CUT = {"shoulder": Cut(10, 20, 220, 185), "standing": Cut(0, 25, 220, 185)}
WHOLE_CUT = {"shoulder": Cut(70, 20, 500, 420), "standing": Cut(10, 110, 504, 420)}


@dataclass(frozen=True, slots=True)
class Pair:
    """`frames`: from the first hand to the second, all of one size; the words of both.
    `moves`: a movement there and back, and not right beside wrong."""

    words: tuple[str, str]
    frames: tuple[Picture, ...]
    moves: bool


@dataclass(frozen=True, slots=True)
class ExercisePicture:
    moves: bool
    one: tuple[Sign, ...]
    two: tuple[Sign, ...]
    words: tuple[str, str]
    cut: str
    standing_cut: str
    free: tuple[str, str] | None
    rungs: frozenset[int] | None = None
    hand_leaves: bool = False


def has_picture(evidence: str, instrument: Instrument) -> bool:
    """True for a check that a drawn hand can show, on its neck or away from it."""
    found = postures().get(evidence)
    return is_drawn(evidence, instrument) or (found is not None and found.free is not None)


@lru_cache(maxsize=KEPT)
def pair_of_check(
    name: str,
    instrument: Instrument,
    finger: int | None = None,
    *,
    frames: int = 2,
    thumb: str = "",
) -> Pair | None:
    """The check's sign not there and strong, on this finger where it can be on any; None for what
    the hand on its neck cannot show. `thumb`: see `posture_of`. KeyError for an unknown check."""
    evidence = load_catalogue().evidence[name]
    aimed = finger or evidence.of_finger or AIMED
    if not has_picture(name, instrument):
        return None
    if free := postures()[name].free:
        return Pair(SIGHT_WORDS, _free(free, aimed, frames), moves=False)
    playing = next(n for n in FINGERS if n != aimed) if evidence.of_idle else None
    hands = [
        posture_of(
            instrument, [Sign(name, Grade.STRONG * share, aimed)], playing=playing, thumb=thumb
        )
        for share in _shares(frames)
    ]
    shown = postures()[name].shown[family_of(instrument)]
    return Pair(SIGHT_WORDS, _frames(hands, shown, (evidence.place, aimed)), moves=False)


@lru_cache(maxsize=KEPT)
def pair_of_exercise(
    name: str,
    instrument: Instrument,
    finger: int | None = None,
    *,
    frames: int = 2,
    rung: int | None = None,
    thumb: str = "",
) -> Pair | None:
    """The two hands beside an exercise, for this finger and rung where one is chosen; None where
    the data has none. `thumb`: see `posture_of`."""
    shown = exercise_pictures().get(name)
    if shown is None or not is_for_rung(shown, rung):
        return None
    if shown.free:
        return Pair(shown.words, _free(shown.free, finger or AIMED, frames), shown.moves)
    hands = [
        posture_of(
            instrument, _between(shown, share, finger), playing=_still(shown, finger), thumb=thumb
        )
        for share in _shares(frames)
    ]
    cut = shown.cut if instrument.is_held_up else shown.standing_cut
    place = {"fingers": ("middle", finger or 3), "thumb": ("thumb", None)}.get(cut, ("", None))
    drawings = _frames(hands, cut, place)
    if shown.hand_leaves:
        away = bare(hands[0], MAIN, _cut(hands[0], cut, place))
        stay = (frames + 1) // 2
        drawings = (*drawings[:stay], *[away] * (frames - stay))
    return Pair(shown.words, drawings, shown.moves)


def is_for_rung(shown: ExercisePicture, rung: int | None) -> bool:
    return rung is None or shown.rungs is None or rung in shown.rungs


def _free(names: tuple[str, str], aimed: int, frames: int) -> tuple[Picture, ...]:
    one, two = (free_poses()[name] for name in names)
    return tuple(free_pictures([between(one, two, share) for share in _shares(frames)], aimed))


def _frames(hands: list[Posture], shown: str, place: tuple[str, int | None]) -> tuple[Picture, ...]:
    view = ALONG if shown == ALONG else MAIN
    cut = _cut(hands[-1], shown, place)
    return tuple(drawn(*look(hand, view, cut)) for hand in hands)


def _shares(frames: int) -> list[float]:
    return [step / (frames - 1) for step in range(frames)]


def _between(shown: ExercisePicture, share: float, finger: int | None) -> list[Sign]:
    """The first hand's signs fading out while the second's come."""
    found: dict[tuple[str, int | None], float] = {}
    for signs, part in ((shown.one, 1 - share), (shown.two, share)):
        for sign in signs:
            key = (sign.evidence, sign.finger or finger)
            found[key] = found.get(key, 0.0) + sign.grade * part
    return [Sign(name, grade, on) for (name, on), grade in found.items() if grade > LEAST_MOVE]


def _still(shown: ExercisePicture, finger: int | None) -> int:
    """A finger that stays down: the first that nothing lifts."""
    lifted = {sign.finger or finger or AIMED for sign in (*shown.one, *shown.two)}
    return next((n for n in FINGERS if n not in lifted), FINGERS[0])


def _cut(hand: Posture, shown: str, place: tuple[str, int | None]) -> Cut:
    """What of the picture is shown: around the place, or more."""
    family = family_of(hand.instrument)
    if shown == ALONG:
        return ALONG_CUT[family]
    if shown == "arm":
        return ARM_CUT[family]
    if shown == "whole":
        return WHOLE_CUT[family]
    skeleton, scene = look(hand)
    here = [t for t in targets_of(skeleton, scene) if t.place == place[0]]
    target = next((t for t in here if t.finger in (None, place[1])), None)
    if target is None:
        return WHOLE_CUT[family]
    width, height = scene.camera.field
    x = min(max(0.0, target.place_at[0] - NEAR / 2), width - NEAR)
    y = min(max(0.0, target.place_at[1] - NEAR_HEIGHT / 2), height - NEAR_HEIGHT)
    return Cut(round(x), round(y), NEAR, NEAR_HEIGHT)


@lru_cache(maxsize=1)
def exercise_pictures() -> Mapping[str, ExercisePicture]:
    """Exercise -> what is drawn beside it. Raises CatalogueError."""
    known = load_catalogue().exercises
    found = {}
    for record in read_records(DATA / "pictures.yaml"):
        if record.id not in known:
            record.fail("unknown exercise")
        found[record.id] = _read(record)
    return MappingProxyType(found)


def _read(record: Record) -> ExercisePicture:
    shows = record.text("shows")
    if shows not in ("moves", "right"):
        record.fail(f"shows: expected moves or right, got {shows!r}")
    words = record.words("words")
    if len(words) != len(SIGHT_WORDS):
        record.fail("words: expected two")
    cut = record.text("cut", "whole")
    standing = record.text("standing", cut)
    for each in (cut, standing):
        if each not in ("fingers", "thumb", ALONG, "whole", "arm"):
            record.fail(f"cut: {each!r} is none")
    rungs = record.take("rungs", None)
    free = two_poses(record)
    if not set(free or ()) <= set(free_poses()):
        record.fail(f"free: {free!r} are not poses")
    picture = ExercisePicture(
        shows == "moves",
        _signs(record, "one"),
        _signs(record, "two"),
        (words[0], words[1]),
        cut,
        standing,
        free,
        None if rungs is None else frozenset(int(read_number("rungs", each, 1)) for each in rungs),
        read_flag("hand_leaves", record.take("hand_leaves", False)),
    )
    record.done()
    return picture


def _signs(record: Record, field: str) -> tuple[Sign, ...]:
    signs: list[Sign] = []
    for name, value in record.mapping(field, {}).items():
        if name not in postures():
            raise CatalogueError(record.file, record.id, f"{field}.{name}: no such posture")
        signs += [Sign(name, *each) for each in _grades(name, value)]
    return tuple(signs)


def _grades(name: str, value: Any) -> list[tuple[float, int | None]]:
    if isinstance(value, Mapping):
        return [(read_number(name, grade, 0, Grade.STRONG), int(n)) for n, grade in value.items()]
    return [(read_number(name, value, 0, Grade.STRONG), None)]
