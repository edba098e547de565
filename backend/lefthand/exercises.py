"""The catalogue of graded exercises as typed, checked values."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from pathlib import Path
from types import MappingProxyType

from lefthand.dose import DEFAULT_SECONDS_EACH, DEFAULT_TEMPO, NOTES_PER_BAR, Dose
from lefthand.entries import Entry, read_entries
from lefthand.errors import CatalogueError
from lefthand.vocabulary import FINGERS, Instrument, Kind, Level, Likelihood, Setting

MAX_STEPS = 6
DRILLS = frozenset(
    (
        *("frame_pattern", "touch_rest", "glide_add", "held_note", "alternate_pair"),
        *("four_by_four", "open_one_three_four", "double_ring", "slow_scale"),
        *("extension_pattern", "shift_pair", "tune_with_stops", "pluck_pattern"),
        *("slide_four", "trill_burst", "set_then_bow", "easy_tune"),
    )
)


@dataclass(frozen=True, slots=True)
class Rung:
    """One step of a ladder: how it is done on this step, where, and how much.

    `start`: the finger on which its tune begins, None for any.
    """

    words: str
    setting: Setting
    dose: Dose
    level: Level
    drill: str | None
    low_fourth: bool
    start: int | None


@dataclass(frozen=True, slots=True)
class Exercise:
    """One exercise with its ladder.

    Safety rules read `kind`, `stretch` (loads the span of the hand), `static_s` (longest still hold
    of a loaded finger, s), `nudge` (a joint is moved from outside), `long_hold` and `min_age`
    (years). `not_while` maps a cause to the likelihood from which the exercise is withheld.
    `silent_fingers` do not sound in its drill. `child`: how to say it to a child. `mirror`: what to
    watch. `over`: too much of a good thing. `added`: why it stands beside the first catalogue.
    """

    id: str
    kind: Kind
    setting: Setting
    instruments: frozenset[Instrument]
    level: Level
    aims: tuple[str, ...]
    needs: tuple[str, ...]
    not_while: Mapping[str, Likelihood]
    aimed_at_finger: bool
    helper: bool
    alone: str
    equipment: tuple[str, ...]
    stretch: bool
    nudge: bool
    long_hold: bool
    static_s: float
    min_age: int
    drill: str | None
    silent_fingers: tuple[int, ...]
    usual_minutes: float | None
    name: str
    does: str
    steps: tuple[str, ...]
    feel: str
    mistake: str
    child: str
    mirror: str
    over: str
    stop: str
    helper_does: str
    passed_when: str
    added: str
    rungs: tuple[Rung, ...]

    def rung(self, number: int) -> Rung:
        """Rung by its number, counted from 1."""
        return self.rungs[number - 1]


def read_exercises(folder: Path, causes: set[str], evidence: set[str]) -> dict[str, Exercise]:
    """All exercises in the YAML files of `folder`. Raises CatalogueError."""
    exercises: dict[str, Exercise] = {}
    files = sorted(folder.glob("*.yaml"))
    if not files:
        raise CatalogueError(folder.name, "folder", "no exercise files")
    for path in files:
        for entry in read_entries(path):
            if entry.id in exercises:
                entry.fail("stands in another file too")
            exercises[entry.id] = _exercise(entry, causes)
    for exercise in exercises.values():
        for need in exercise.needs:
            if need not in exercises and need not in evidence:
                raise CatalogueError(
                    "exercises", exercise.id, f"needs: unknown exercise or evidence {need!r}"
                )
    return exercises


def check_needs(exercises: Mapping[str, Exercise], evidence: set[str]) -> None:
    """Refuse a circle of exercises that each need the next."""
    for start in exercises:
        trail = [start]
        while True:
            following = [n for n in exercises[trail[-1]].needs if n not in evidence]
            if not following:
                break
            if following[0] in trail:
                circle = " needs ".join([*trail, following[0]])
                raise CatalogueError("exercises", start, f"needs: goes in a circle: {circle}")
            trail.append(following[0])


def _exercise(entry: Entry, causes: set[str]) -> Exercise:
    aims = tuple(entry.words("aims"))
    unknown = [c for c in aims if c not in causes]
    if unknown or not aims:
        entry.fail(f"aims: unknown cause {unknown or aims!r}")
    setting = entry.choice("setting", Setting)
    level = entry.choice("level", Level, default=Level.BEGINNER)
    drill = _drill(entry)
    steps = tuple(entry.words("steps"))
    if not 1 <= len(steps) <= MAX_STEPS:
        entry.fail(f"steps: expected 1 to {MAX_STEPS}, got {len(steps)}")
    target = entry.text("finger", default="")
    if target not in ("", "target"):
        entry.fail(f"finger: expected 'target', got {target!r}")
    exercise = Exercise(
        id=entry.id,
        kind=entry.choice("kind", Kind),
        setting=setting,
        instruments=entry.instruments(),
        level=level,
        aims=aims,
        needs=tuple(entry.words("needs", [])),
        not_while=_limits(entry, causes),
        aimed_at_finger=target == "target",
        helper=entry.flag("helper"),
        alone=entry.text("alone", default=""),
        equipment=tuple(entry.words("equipment", [])),
        stretch=entry.flag("stretch"),
        nudge=entry.flag("nudge"),
        long_hold=entry.flag("long_hold"),
        static_s=entry.number("static_s", low=0, high=60, default=0),
        min_age=entry.number("min_age", low=0, high=99, whole=True, default=0),
        drill=drill,
        silent_fingers=_silent_fingers(entry),
        usual_minutes=entry.number("minutes", low=0.5, high=30, default=None),
        name=entry.text("name"),
        does=entry.text("does"),
        steps=steps,
        feel=entry.text("feel"),
        mistake=entry.text("mistake"),
        child=entry.text("child"),
        mirror=entry.text("mirror"),
        over=entry.text("over"),
        stop=entry.text("stop"),
        helper_does=entry.text("helper_does", default=""),
        passed_when=entry.text("pass"),
        added=entry.text("added", default=""),
        rungs=tuple(_rungs(entry, setting, level, drill)),
    )
    entry.done()
    return exercise


def _silent_fingers(entry: Entry) -> tuple[int, ...]:
    fingers = entry.take("silent_fingers", [])
    if not isinstance(fingers, list) or not set(fingers) <= set(FINGERS):
        entry.fail(f"silent_fingers: expected fingers 1 to 4, got {fingers!r}")
    return tuple(fingers)


def _limits(entry: Entry, causes: set[str]) -> Mapping[str, Likelihood]:
    limits = {}
    for cause, word in entry.mapping("not_while", default={}).items():
        if cause not in causes:
            entry.fail(f"not_while: unknown cause {cause!r}")
        if word not in (Likelihood.POSSIBLE, Likelihood.LIKELY):
            entry.fail(f"not_while.{cause}: expected possible or likely, got {word!r}")
        limits[cause] = Likelihood(word)
    return MappingProxyType(limits)


def _drill(entry: Entry, default: str | None = None) -> str | None:
    drill = entry.text("drill", default=default or "") or None
    if drill is not None and drill not in DRILLS:
        entry.fail(f"drill: unknown drill {drill!r}")
    return drill


def _rungs(entry: Entry, setting: Setting, level: Level, drill: str | None) -> Iterator[Rung]:
    for row in entry.rows("rungs"):
        yield Rung(
            words=row.text("as"),
            setting=row.choice("setting", Setting, default=setting),
            level=row.choice("level", Level, default=level),
            drill=_drill(row, drill),
            low_fourth=row.flag("low_fourth"),
            start=row.number("start", low=0, high=4, whole=True, default=None),
            dose=_dose(row),
        )
        row.done()


def _dose(row: Entry) -> Dose:
    tempo = row.number("tempo", low=20, high=500, whole=True, default=None)
    bars = row.number("bars", low=1, high=64, whole=True, default=None)
    hold = row.number("hold", low=1, high=600, default=None)
    common = {
        "sets": row.number("sets", low=1, high=12, whole=True, default=1),
        "pause": row.number("pause", low=0, high=60, default=0),
        "rest": row.number("rest", low=0, high=120, default=0),
        "per": row.text("per", default=""),
        "tempo": tempo,
    }
    if common["per"] not in ("", "finger", "string", "pair"):
        row.fail(f"per: expected finger, string or pair, got {common['per']!r}")
    if bars is not None:
        bar_seconds = NOTES_PER_BAR * 60 / (tempo or DEFAULT_TEMPO)
        return Dose(reps=bars, unit="bars", seconds=bar_seconds, **common)
    reps = row.number("reps", low=1, high=60, whole=True)
    if hold is not None:
        return Dose(reps=reps, seconds=hold, is_hold=True, **common)
    seconds = row.number("seconds", low=0.2, high=600, default=DEFAULT_SECONDS_EACH)
    return Dose(reps=reps, seconds=seconds, unit=row.text("of", default=""), **common)
