"""One lesson of a player as the rules over many lessons read it."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date

from lefthand.practice.pains import Pain
from lefthand.practice.progress import PracticeDay
from lefthand.reason.learning import LessonFacts
from lefthand.reason.memory import Heard
from lefthand.values.vocabulary import Instrument


@dataclass(frozen=True, slots=True)
class Given:
    """One exercise of a given week. load: seconds of work that load the hand in the whole week;
    step: what one repetition more would add to it. Both 0 for what does not load."""

    exercise: str
    rung: int
    load: float = 0.0
    step: float = 0.0


@dataclass(frozen=True, slots=True)
class GivenWeek:
    """minutes: of its fullest day."""

    items: tuple[Given, ...]
    minutes: float


@dataclass(frozen=True, slots=True)
class Shown:
    """How an exercise went when it was shown in the lesson. is_newest: it is of the newest week."""

    exercise: str
    rung: int
    day: PracticeDay
    is_newest: bool = True


@dataclass(frozen=True, slots=True)
class LessonRecord:
    """is_glance: a mere look over a class. weeks_away: of a break that ended with this lesson, 0
    for none. practised: days at home since the newest week was given, oldest first, by exercise.
    lifted: when the newest stop up to this lesson was lifted. week: what was given in it. pains:
    what was told of places since the lesson before, this one included. injury: an earlier injury
    was told of. heard: what it says of the causes; starts: their starting probabilities for this
    player; None and {} where nobody asks.
    """

    on: date
    facts: LessonFacts
    is_glance: bool = False
    weeks_away: float = 0.0
    shown: tuple[Shown, ...] = ()
    practised: Mapping[str, tuple[PracticeDay, ...]] = field(default_factory=dict)
    lifted: date | None = None
    week: GivenWeek | None = None
    pains: tuple[Pain, ...] = ()
    injury: bool = False
    heard: Heard | None = None
    starts: Mapping[str, float] = field(default_factory=dict)
    instrument: Instrument = Instrument.VIOLIN
