"""A case: what is known of one player at one lesson."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import StrEnum

from lefthand.case.pair import Pair
from lefthand.values.said import Said, said
from lefthand.values.vocabulary import Instrument, Lately, Level, Place

COMPLAINT_GRADE = 2
HELPER_BELOW_AGE = 13
WHOLE_HAND = 0


class Source(StrEnum):
    """Where a measured number comes from."""

    TYPED = "typed"
    TIMER = "timer"
    TAKE = "take"
    PICTURE = "picture"


@dataclass(frozen=True, slots=True)
class Measurement:
    """One measured number in the unit of its measure.

    `spread`: standard deviation of repeated measuring in the same unit; None when not known.
    """

    value: float
    unit: str
    spread: float | None = None
    source: Source = Source.TYPED


@dataclass(frozen=True, slots=True)
class Compared:
    """A trial: the trouble in the same bar before and after one thing was changed, each graded
    0..3; `changed`: what that was, in words; `measured`: the numbers behind both grades."""

    before: int
    after: int
    changed: str = ""
    measured: Pair | None = None


@dataclass(frozen=True, slots=True)
class Finding:
    """What one check showed: the grade 0..3 (of the worst finger where fingers were told apart).

    `measured`: by finger 1..4, or WHOLE_HAND. `compared`: of a trial of the hand as a whole.
    """

    grade: int
    by_finger: Mapping[int, int] = field(default_factory=dict)
    measured: Mapping[int, Measurement] = field(default_factory=dict)
    compared: Compared | None = None

    @property
    def value(self) -> float | None:
        """The number measured of the hand as a whole, if one was."""
        whole = self.measured.get(WHOLE_HAND)
        return whole.value if whole else None


@dataclass(frozen=True, slots=True)
class Reports:
    """What the player says. Pain 0..10, None when not asked; place: one of `Place`; weeks in the
    same place."""

    pain: float | None = None
    pain_when: tuple[str, ...] = ()
    place: str | None = None
    same_place_weeks: float = 0
    new: bool = False
    numbness: bool = False
    radiating: bool = False
    curling: bool = False
    swelling: bool = False
    sudden_weakness: bool = False
    tired_next_day: bool = False
    earlier_injury: bool = False
    playing_jump: bool = False


@dataclass(frozen=True, slots=True)
class Known:
    """What an earlier lesson found and what holds until it is looked at again."""

    grade: int
    days: float


@dataclass(frozen=True, slots=True)
class Hurt:
    """A place that hurt of late: how much, 0..10, and how many days ago."""

    pain: float
    days: float

    def said(self, place: Place) -> Said:
        """As it is said: "the thumb hurt yesterday"."""
        days = round(self.days)
        if days < 1:
            return said("hurt-now", place=place)
        return said("hurt-before", place=place, days=days)


class Why(StrEnum):
    """Why an exercise stays out for a time."""

    HURT = "hurt"
    HURT_TWICE = "hurt_twice"
    FAILED = "failed"


@dataclass(frozen=True, slots=True)
class Apart:
    """An exercise that stays out. days: until it may come back; None for until the teacher says."""

    why: Why
    days: float | None


@dataclass(frozen=True, slots=True)
class Case:
    """Defaults: level beginner, age unknown (an adult), the daily minutes of that level and age,
    every way of teaching at its first value, one hour of playing a day, a helper at home below
    thirteen, any equipment, no rung passed, no recent focus, no break, no stop lifted, nothing new
    about body or instrument (`lately`).

    `youngest_age`: where `age` is not known to the day, the least it can be; limits for children
    read this one, limits for the old read `age`. `break_weeks`: of the last break, `days_back`
    since its end. `days_since_lift`: since the last stop was lifted.

    `complaint_finger`: 1..4, in which the complaint shows.

    From before this lesson: `known`: by evidence, what was found of the body and of the hold.
    `anew`: checks that are to be made again because the instrument has another size since.
    `hurting`: places that hurt in the last seven days. `apart`: exercises that stay out;
    `returning`: those that come back after they hurt. `memory`: by cause, the probability in 0..1
    that it is there, from all lessons before. `kept_focus`: the causes of the last focus."""

    instrument: Instrument
    findings: Mapping[str, Finding]
    level: Level = Level.BEGINNER
    age: float | None = None
    youngest_age: float | None = None
    daily_minutes: float | None = None
    way_of_teaching: Mapping[str, str] = field(default_factory=dict)
    reports: Reports = Reports()
    complaint: str | None = None
    complaint_finger: int | None = None
    hours_a_day: float = 1
    before_puberty: bool | None = None
    helper_at_home: bool | None = None
    equipment: tuple[str, ...] | None = None
    passed: Mapping[str, int] = field(default_factory=dict)
    recent_focus: tuple[str, ...] = ()
    break_weeks: float = 0
    days_back: float = 0
    days_since_lift: float | None = None
    lately: tuple[Lately, ...] = ()
    known: Mapping[str, Known] = field(default_factory=dict)
    anew: tuple[str, ...] = ()
    hurting: Mapping[Place, Hurt] = field(default_factory=dict)
    apart: Mapping[str, Apart] = field(default_factory=dict)
    returning: tuple[str, ...] = ()
    memory: Mapping[str, float] = field(default_factory=dict)
    kept_focus: tuple[str, ...] = ()

    def looked(self, evidence: str) -> int | None:
        """The grade of a check, of today or what is known of it from before; None for neither."""
        finding = self.findings.get(evidence)
        if finding is not None:
            return finding.grade
        known = self.known.get(evidence)
        return None if known is None else known.grade

    @property
    def sore(self) -> Mapping[Place, Hurt]:
        """Places that hurt today or in the last seven days, fingertip skin left out."""
        found = {place: hurt for place, hurt in self.hurting.items() if hurt.pain > 0}
        reports = self.reports
        is_told = bool(reports.pain) or (reports.pain is None and reports.place is not None)
        if is_told:
            found[Place(reports.place or Place.SOMEWHERE)] = Hurt(reports.pain or 0, 0)
        found.pop(Place.SKIN, None)
        return found

    @property
    def has_sore_skin(self) -> bool:
        """Fingertip skin hurts today or did in the last seven days."""
        now = (self.reports.pain or 0) > 0 and self.reports.place == Place.SKIN
        skin = self.hurting.get(Place.SKIN)
        return now or (skin is not None and skin.pain > 0)

    @property
    def young_age(self) -> float | None:
        """The age that limits for children read, years."""
        return self.age if self.youngest_age is None else self.youngest_age

    @property
    def minutes_budget(self) -> float:
        """Minutes of practice on this a day: as given, or 5 / 10 / 15 by level and age."""
        if self.daily_minutes is not None:
            return self.daily_minutes
        young = self.young_age is not None and self.young_age < 8
        old = self.age is not None and self.age > 60
        if young or old or self.level is Level.BEGINNER:
            return 5
        return 15 if self.level is Level.ADVANCED else 10

    @property
    def has_helper(self) -> bool:
        if self.helper_at_home is not None:
            return self.helper_at_home
        return self.age is not None and self.age < HELPER_BELOW_AGE
