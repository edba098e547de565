"""A case: what is known of one player at one lesson."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import StrEnum

from lefthand.values.vocabulary import Instrument, Lately, Level

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
    0..3; `changed`: what that was, in words."""

    before: int
    after: int
    changed: str = ""


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
    """What the player says. Pain 0..10, None when not asked; weeks in the same place."""

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
class Case:
    """Defaults: level beginner, age unknown (an adult), the daily minutes of that level and age,
    every way of teaching at its first value, one hour of playing a day, a helper at home below
    thirteen, any equipment, no rung passed, no recent focus, no break, no stop lifted, nothing new
    about body or instrument (`lately`).

    `youngest_age`: where `age` is not known to the day, the least it can be; limits for children
    read this one, limits for the old read `age`. `break_weeks`: of the last break, `days_back`
    since its end. `days_since_lift`: since the last stop was lifted."""

    instrument: Instrument
    findings: Mapping[str, Finding]
    level: Level = Level.BEGINNER
    age: float | None = None
    youngest_age: float | None = None
    daily_minutes: float | None = None
    way_of_teaching: Mapping[str, str] = field(default_factory=dict)
    reports: Reports = Reports()
    complaint: str | None = None
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
