"""Lessons as they are led: the complaint first, then the proposed looks, until enough was seen; and
the lesson after it, a week later, with what is remembered.

Players, grades and disturbance are those of `players`. In the second lesson the same causes are
there and bring the same signs; grades are drawn anew. Everything follows from the seed.
"""

import random
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import date, timedelta

import numpy as np

from lefthand.case.case import COMPLAINT_GRADE
from lefthand.catalogue.catalogue import Catalogue
from lefthand.reason.chain import THERE
from lefthand.reason.focus import main_focus_columns, may_focus_on_reach
from lefthand.reason.looks import Look, is_enough, next_look
from lefthand.reason.memory import NOTHING_YET, Heard, after_lesson, before_lesson
from lefthand.reason.network import Floats, Network, Posterior, network_for, posterior, with_priors
from lefthand.reason.starting import with_memory
from lefthand.reason.waiting import HOLD_FIRST
from lefthand.simulation.players import Disturbance, SimulatedPlayer, draw_grades, draw_player
from lefthand.values.vocabulary import Instrument, Stage

TIMES = (90, 180, 300)
FIRST, WEEK = date(2026, 1, 7), timedelta(days=7)
CALLED = ((0.8, 0.9), (0.9, 1.0))
BINS = 10


@dataclass
class LessonTally:
    """true_at: lessons whose leading cause is truly there, by seconds. enough: the same when it was
    called enough, and after how many seconds. second: in the lesson after it, by seconds. said,
    was: of all causes, how probable each was said to be at the end, and whether it was there."""

    lessons: int = 0
    true_at: dict[int, int] = field(default_factory=lambda: dict.fromkeys(TIMES, 0))
    enough: int = 0
    enough_seconds: list[int] = field(default_factory=list)
    second: dict[int, int] = field(default_factory=lambda: dict.fromkeys(TIMES, 0))
    said: list[float] = field(default_factory=list)
    was: list[bool] = field(default_factory=list)

    def __add__(self, other: "LessonTally") -> "LessonTally":
        return LessonTally(
            self.lessons + other.lessons,
            {time: self.true_at[time] + other.true_at[time] for time in TIMES},
            self.enough + other.enough,
            self.enough_seconds + other.enough_seconds,
            {time: self.second[time] + other.second[time] for time in TIMES},
            self.said + other.said,
            self.was + other.was,
        )

    def calibration_error(self) -> float:
        """Mean distance between what was said and what was so, over tenths of probability."""
        said, was = np.array(self.said), np.array(self.was)
        tenth = np.minimum((said * BINS).astype(int), BINS - 1)
        off = 0.0
        for number in range(BINS):
            here = tenth == number
            if here.any():
                off += here.mean() * abs(said[here].mean() - was[here].mean())
        return float(off)

    def called(self, low: float, high: float) -> float:
        """Share of causes called so probable that were truly there."""
        said, was = np.array(self.said), np.array(self.was)
        here = (said > low) & (said <= high)
        return float(was[here].mean()) if here.any() else float("nan")


def simulate_lessons(
    catalogue: Catalogue,
    instrument: Instrument,
    numbers: Iterable[int],
    *,
    seed: int,
    disturbance: Disturbance,
) -> LessonTally:
    """Lead the lessons of the players with these numbers. A number and a seed fix a player."""
    tally = LessonTally()
    for number in numbers:
        chooser = random.Random(f"{seed}/lesson/{instrument.value}/{number}")
        player = draw_player(catalogue, instrument, chooser, disturbance)
        _tally_player(tally, player, catalogue, instrument, disturbance, chooser)
    return tally


def _tally_player(
    tally: LessonTally,
    player: SimulatedPlayer,
    catalogue: Catalogue,
    instrument: Instrument,
    disturbance: Disturbance,
    chooser: random.Random,
) -> None:
    network = network_for(catalogue, instrument)
    starts = {c.id: c.prior for c in catalogue.causes_of(instrument)}
    steps = list(_lesson(player, player.reports, network, catalogue, instrument))
    tally.lessons += 1
    for time in TIMES:
        tally.true_at[time] += _is_true(_at(steps, time).result, player)
    called = next((step for step in steps if step.is_enough), steps[-1])
    tally.enough += _is_true(called.result, player)
    tally.enough_seconds.append(called.seconds)
    last = steps[-1].result
    tally.said += last.probabilities.tolist()
    tally.was += [cause in player.causes for cause in network.causes]
    heard = Heard(0, last.grades, {})
    memory = after_lesson(NOTHING_YET, starts, heard, FIRST, catalogue, instrument)
    known = before_lesson(memory, starts, FIRST + WEEK)
    priors = {c: with_memory(p, known[c][THERE], catalogue) for c, p in starts.items()}
    reports = draw_grades(player.there, catalogue, instrument, chooser, disturbance)
    again = list(_lesson(player, reports, with_priors(network, priors), catalogue, instrument))
    for time in TIMES:
        tally.second[time] += _is_true(_at(again, time).result, player)


@dataclass(frozen=True)
class _Step:
    """What is thought after so many seconds."""

    seconds: int
    result: Posterior
    is_enough: bool


def _at(steps: Sequence[_Step], time: int) -> _Step:
    return [step for step in steps if step.seconds <= time][-1]


def _lesson(
    player: SimulatedPlayer,
    reports: Mapping[str, int],
    network: Network,
    catalogue: Catalogue,
    instrument: Instrument,
) -> Iterator[_Step]:
    """Look by look, up to five minutes."""
    grades = {player.complaint: COMPLAINT_GRADE}
    clock, stage = 0, None
    result = posterior(network, grades)
    yield _Step(0, result, is_enough=False)
    while True:
        look = _next(player, result, catalogue, stage)
        if look is None or clock + look.seconds > TIMES[-1]:
            return
        clock, stage = clock + look.seconds, look.stage
        grades.update({name: reports[name] for name in look.checks})
        result = posterior(network, grades)
        enough = _called_enough(result, grades, clock, catalogue, instrument)
        yield _Step(clock, result, enough)


def _next(
    player: SimulatedPlayer,
    result: Posterior,
    catalogue: Catalogue,
    stage: Stage | None,
) -> Look | None:
    instrument = player.instrument
    complaint = catalogue.evidence[player.complaint]
    can_be_seen = not complaint.told and instrument not in complaint.unseen
    has_begun = stage is not None
    first = [player.complaint] if can_be_seen and not has_begun else []
    return next_look(result, catalogue, instrument, stage=stage, first=first)


def _called_enough(
    result: Posterior,
    grades: Mapping[str, int],
    seconds: int,
    catalogue: Catalogue,
    instrument: Instrument,
) -> bool:
    weighing = catalogue.weighing
    if result.probabilities.max() < weighing.lead and seconds < weighing.seconds:
        return False
    if any(name in result.network.position and name not in grades for name in HOLD_FIRST):
        return False
    causes = [catalogue.causes[c] for c in result.network.causes]
    orders = np.array([float(c.order) for c in causes])
    reach = may_focus_on_reach(instrument, set(grades))
    allowed = np.array([reach or c.id != "short_reach" for c in causes])

    def main_focus(probabilities: Floats) -> "np.ndarray":
        return main_focus_columns(probabilities, orders, allowed)

    return is_enough(result, catalogue, instrument, main_focus)


def _is_true(result: Posterior, player: SimulatedPlayer) -> bool:
    return result.network.causes[int(result.probabilities.argmax())] in player.causes
