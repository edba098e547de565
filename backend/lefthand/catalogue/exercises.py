"""The catalogue of graded exercises as typed, checked values."""

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from pathlib import Path
from types import MappingProxyType

from lefthand.values.dose import DEFAULT_SECONDS_EACH, DEFAULT_TEMPO, NOTES_PER_BAR, Dose
from lefthand.values.errors import CatalogueError
from lefthand.values.knowledge_file import Record, read_records
from lefthand.values.vocabulary import FINGERS, Instrument, Kind, Level, Likelihood, Setting

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
        for record in read_records(path):
            if record.id in exercises:
                record.fail("stands in another file too")
            exercises[record.id] = _exercise(record, causes)
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


def _exercise(record: Record, causes: set[str]) -> Exercise:
    aims = tuple(record.words("aims"))
    unknown = [c for c in aims if c not in causes]
    if unknown or not aims:
        record.fail(f"aims: unknown cause {unknown or aims!r}")
    setting = record.choice("setting", Setting)
    level = record.choice("level", Level, default=Level.BEGINNER)
    drill = _drill(record)
    steps = tuple(record.words("steps"))
    if not 1 <= len(steps) <= MAX_STEPS:
        record.fail(f"steps: expected 1 to {MAX_STEPS}, got {len(steps)}")
    exercise = Exercise(
        id=record.id,
        kind=record.choice("kind", Kind),
        setting=setting,
        instruments=record.instruments(),
        level=level,
        aims=aims,
        needs=tuple(record.words("needs", [])),
        not_while=_limits(record, causes),
        aimed_at_finger=_is_aimed_at_finger(record),
        helper=record.flag("helper"),
        alone=record.text("alone", default=""),
        equipment=tuple(record.words("equipment", [])),
        stretch=record.flag("stretch"),
        nudge=record.flag("nudge"),
        long_hold=record.flag("long_hold"),
        static_s=record.number("static_s", 0, 60, default=0),
        min_age=record.whole("min_age", 0, 99, default=0),
        drill=drill,
        silent_fingers=_silent_fingers(record),
        usual_minutes=record.number("minutes", 0.5, 30, default=None),
        name=record.text("name"),
        does=record.text("does"),
        steps=steps,
        feel=record.text("feel"),
        mistake=record.text("mistake"),
        child=record.text("child"),
        mirror=record.text("mirror"),
        over=record.text("over"),
        stop=record.text("stop"),
        helper_does=record.text("helper_does", default=""),
        passed_when=record.text("pass"),
        added=record.text("added", default=""),
        rungs=tuple(_rungs(record, setting, level, drill)),
    )
    record.done()
    return exercise


def _is_aimed_at_finger(record: Record) -> bool:
    target = record.text("finger", default="")
    if target not in ("", "target"):
        record.fail(f"finger: expected 'target', got {target!r}")
    return target == "target"


def _silent_fingers(record: Record) -> tuple[int, ...]:
    fingers = record.take("silent_fingers", [])
    if not isinstance(fingers, list) or not set(fingers) <= set(FINGERS):
        record.fail(f"silent_fingers: expected fingers 1 to 4, got {fingers!r}")
    return tuple(fingers)


def _limits(record: Record, causes: set[str]) -> Mapping[str, Likelihood]:
    limits = {}
    for cause, word in record.mapping("not_while", default={}).items():
        if cause not in causes:
            record.fail(f"not_while: unknown cause {cause!r}")
        if word not in (Likelihood.POSSIBLE, Likelihood.LIKELY):
            record.fail(f"not_while.{cause}: expected possible or likely, got {word!r}")
        limits[cause] = Likelihood(word)
    return MappingProxyType(limits)


def _drill(record: Record, default: str | None = None) -> str | None:
    drill = record.text("drill", default=default or "") or None
    if drill is not None and drill not in DRILLS:
        record.fail(f"drill: unknown drill {drill!r}")
    return drill


def _rungs(record: Record, setting: Setting, level: Level, drill: str | None) -> Iterator[Rung]:
    for row in record.rows("rungs"):
        yield Rung(
            words=row.text("as"),
            setting=row.choice("setting", Setting, default=setting),
            level=row.choice("level", Level, default=level),
            drill=_drill(row, drill),
            low_fourth=row.flag("low_fourth"),
            start=row.whole("start", 0, 4, default=None),
            dose=_dose(row),
        )
        row.done()


def _dose(row: Record) -> Dose:
    tempo = row.whole("tempo", 20, 500, default=None)
    bars = row.whole("bars", 1, 64, default=None)
    hold = row.number("hold", 1, 600, default=None)
    common = {
        "sets": row.whole("sets", 1, 12, default=1),
        "pause": row.number("pause", 0, 60, default=0),
        "rest": row.number("rest", 0, 120, default=0),
        "per": row.text("per", default=""),
        "tempo": tempo,
    }
    if common["per"] not in ("", "finger", "string", "pair"):
        row.fail(f"per: expected finger, string or pair, got {common['per']!r}")
    if bars is not None:
        bar_seconds = NOTES_PER_BAR * 60 / (tempo or DEFAULT_TEMPO)
        return Dose(reps=bars, unit="bars", seconds=bar_seconds, **common)
    reps = row.whole("reps", 1, 60)
    if hold is not None:
        return Dose(reps=reps, seconds=hold, is_hold=True, **common)
    seconds = row.number("seconds", 0.2, 600, default=DEFAULT_SECONDS_EACH)
    return Dose(reps=reps, seconds=seconds, unit=row.text("of", default=""), **common)
