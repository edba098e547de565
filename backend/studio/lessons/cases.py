"""From records to the core's case and back: what is known of a player at a lesson."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Any

from lefthand.case.case import Case
from lefthand.case.parsing import parse_case
from lefthand.case.ways import said_in_force
from lefthand.catalogue.catalogue import Catalogue, load_catalogue
from lefthand.practice.doses import SHORT_BREAK_WEEKS
from lefthand.practice.pains import Ache, hurting_on, over_time
from lefthand.practice.plan import Plan
from lefthand.practice.planning import Alternative, alternatives, plan_week
from lefthand.practice.ruled_out import RuledOut
from lefthand.practice.selection import Wishes
from lefthand.practice.situation import Situation
from lefthand.practice.standing import (
    aches_now,
    break_now,
    load_limit,
    passed_rungs,
    recent_focus,
    still_ruled_out,
    thought_before,
)
from lefthand.reason.diagnosis import Diagnosis, Looking, Weighed, decide, weigh
from lefthand.reason.focus import TeacherWord
from lefthand.reason.learning import Count
from lefthand.reason.looks import LookOrder
from lefthand.reason.safety import Safety
from lefthand.reason.waiting import REACH
from lefthand.values.said import said
from lefthand.values.vocabulary import Place
from lefthand.words import words_of
from studio.lessons.chosen_place import Chosen, chosen_place
from studio.lessons.flags import lesson_safety
from studio.lessons.history import History, Past, past_of
from studio.lessons.reach import reach_words
from studio.lessons.reviews import ItemReview, review_last_plan
from studio.lessons.setups import lately, new_size_on, to_look_at_anew
from studio.memory.body import INJURY, held_signs
from studio.memory.findings import (
    age_at,
    observed,
    thresholds_of,
    way_of_teaching,
    youngest_age_at,
)
from studio.memory.known import chosen_focus, known_words
from studio.memory.last_time import complaint_of, is_still_tired
from studio.memory.pains import beside_reports, open_questions
from studio.memory.records import weeks_idle
from studio.memory.spots import as_kept
from studio.models import Lesson, Piece, RedFlag

NEXT_DAY = "next_day"
SHORT_BREAK_DAYS = 7 * SHORT_BREAK_WEEKS


@dataclass(frozen=True)
class LessonView:
    """A lesson with everything that follows from it, computed when it is asked for. `known`: its
    past where that was read before; `before`: what it came to when nothing that weighs was
    different."""

    lesson: Lesson
    known: Past | None = None
    before: "LessonView | None" = None

    @cached_property
    def past(self) -> Past:
        return self.known or past_of(self.lesson)

    @cached_property
    def catalogue(self) -> Catalogue:
        return load_catalogue()

    @cached_property
    def history(self) -> History:
        return History(self.lesson, self.past)

    @cached_property
    def case(self) -> Case:
        if self.before is not None:
            return self.before.case
        data = case_data(self.lesson, self.history)
        return parse_case(data, self.catalogue, thresholds_of(self.lesson.player))

    @cached_property
    def word(self) -> TeacherWord:
        words = known_words(self.lesson)
        decided = chosen_focus(self.lesson)
        is_whole = bool(decided)
        more = [] if is_whole else [w.cause for w in words if w.word == "pinned"]
        pinned = [*decided, *(cause for cause in more if cause not in decided)]
        dismissed = {w.cause for w in words if w.word == "dismissed"} | set(self.ruled_out)
        return TeacherWord(tuple(pinned), tuple(sorted(dismissed)), is_whole)

    def spot_before(self, exercise: str) -> dict[str, int] | None:
        """Where on the neck it lay when it was last given, as it is kept; it goes on there until
        another place is chosen, or none."""
        last = self.past.spots.get(exercise, [None])[-1]
        return as_kept(last) if last else None

    @cached_property
    def ruled_out(self) -> Mapping[str, RuledOut]:
        """Causes that an earlier lesson dismissed and for which nothing new speaks."""
        return still_ruled_out(self.history.standing, self.history.record, self.catalogue)

    @cached_property
    def weighed(self) -> Weighed:
        """What the lesson's case comes to before the teacher's word."""
        if self.before is not None:
            return self.before.weighed
        return weigh(self.case, self.catalogue, self.counts)

    @cached_property
    def counts(self) -> dict[str, Count]:
        return {cause: Count(*found) for cause, found in self.lesson.starting_counts.items()}

    @cached_property
    def safety(self) -> Safety:
        return lesson_safety(self.case, self.history.flags)

    @cached_property
    def still_asked(self) -> dict[Place, Ache]:
        """Places that hurt last time and of which nobody has said today how they are now."""
        return open_questions(self.lesson, self.history.aches_before)

    @cached_property
    def is_asking(self) -> bool:
        """A question about pain is open, so that no week can be given."""
        return bool(self.still_asked) or asks_pain(self.lesson)

    @cached_property
    def open_flags(self) -> list[RedFlag]:
        """Stops that are up."""
        return [flag for flag in self.history.flags if flag.lifted_on is None]

    @cached_property
    def diagnosis(self) -> Diagnosis:
        return decide(
            self.weighed,
            word=self.word,
            looking=Looking(
                skipped=frozenset(self.lesson.skipped), order=LookOrder(self.lesson.look_order)
            ),
            safety=self.safety,
        )

    @cached_property
    def says(self) -> dict[str, list[str]]:
        """What the ways in force say more about checks and exercises, by id."""
        return said_in_force(self.case.way_of_teaching, self.catalogue, self.case.instrument)

    @cached_property
    def review(self) -> list[ItemReview]:
        return review_last_plan(self.history, self.safety)

    @cached_property
    def situation(self) -> Situation:
        return Situation(self.diagnosis, self.catalogue)

    @cached_property
    def proposal(self) -> Plan:
        return plan_week(self.situation, self.wishes)

    @cached_property
    def fit_words(self) -> str:
        """What size would fit, where short reach is the focus; else ""."""
        if not any(focus.cause == REACH for focus in self.diagnosis.focus):
            return ""
        return reach_words(self.lesson.player, self.lesson.date)

    @cached_property
    def alternatives(self) -> tuple[Alternative, ...]:
        return alternatives(self.proposal, self.situation, self.wishes)

    @cached_property
    def wishes(self) -> Wishes:
        return Wishes(
            load_limit=self.load_limit,
            under_way={r.exercise.id for r in self.review if r.is_under_way},
            without=frozenset(
                r.exercise.id
                for r in self.review
                if r.advice.is_left_out and r.exercise.id not in self.case.apart  # which says why
            ),
            disliked=set(self.lesson.player.disliked),
            place=self.own_place.place if self.own_place else None,
        )

    @cached_property
    def pieces(self) -> list[Piece]:
        """The player's own, oldest first, without their scores."""
        return list(self.lesson.player.pieces.defer("score"))

    @cached_property
    def own_place(self) -> Chosen | None:
        """Where in the player's own piece the step into music is."""
        return chosen_place(self.pieces)

    @cached_property
    def load_limit(self) -> float | None:
        return load_limit(self.history.standing, self.history.record)


def case_data(lesson: Lesson, history: History) -> dict[str, Any]:
    """The lesson as `jolf-case/1`."""
    player = lesson.player
    before, record = history.standing, history.record
    away = break_now(before, record)
    data: dict[str, Any] = {
        "format": "jolf-case/1",
        "instrument": player.instrument,
        "level": player.level,
        "way_of_teaching": way_of_teaching(player),
        "observations": observed(lesson),
        "reports": _told(lesson, history),
        "hours_a_day": player.hours_a_day,
        "break_weeks": away.weeks if away else 0,
        "days_back": (lesson.date - away.on).days if away else 0,
        "passed": _passed(history),
        "recent_focus": recent_focus(before, record),
    }
    new_size = new_size_on(history.setups, lesson.date)
    if new_size is not None:
        data["lately"] = lately(history.setups, lesson.date)
        data["anew"] = to_look_at_anew(lesson, new_size)
    data.update(_from_before(lesson, history))
    if record.lifted is not None:
        data["days_since_lift"] = (lesson.date - record.lifted).days
    complaint = complaint_of(lesson, history.past.last_real)
    if complaint is not None:
        data["complaint"] = complaint
        if lesson.complaint_finger is not None:
            data["complaint_finger"] = lesson.complaint_finger
    if player.birth_year is not None:
        data["age"] = age_at(player, lesson)
        data["youngest_age"] = youngest_age_at(player, lesson)
    if player.daily_minutes is not None:
        data["daily_minutes"] = player.daily_minutes
    if player.missing:
        known = {item for e in load_catalogue().exercises.values() for item in e.equipment}
        data["equipment"] = sorted(known - set(player.missing))
    if player.helper_at_home is not None:
        data["helper_at_home"] = player.helper_at_home
    return data


def _told(lesson: Lesson, history: History) -> dict[str, Any]:
    """The reports, with the worst pain that was told in this lesson beside them, and what the days
    before say of it and of the body."""
    reports = dict(lesson.reports)
    more = beside_reports(lesson, history.aches_before)
    worst = max(more, key=lambda pain: pain.level, default=None)
    if worst is not None and worst.level > (reports.get("pain") or 0):
        reports["pain"] = worst.level
        reports["place"] = worst.place.value
    elif worst is not None and worst.level > 0 and reports.get("place") == Place.SKIN:
        del reports["place"]
    now = over_time(aches_now(history.standing, history.record), lesson.date)
    reports["same_place_weeks"] = max(now.weeks, reports.get("same_place_weeks") or 0)
    if is_still_tired(lesson):
        reports["tired_next_day"] = True
    reports["new"] = now.is_new or reports.get("new") is True
    if now.next_day:
        when = reports.get("pain_when") or []
        told = [when] if isinstance(when, str) else when
        reports["pain_when"] = [*(each for each in told if each != NEXT_DAY), NEXT_DAY]
    if any(fact.fact == INJURY for fact in history.body):
        reports["earlier_injury"] = True
    return reports


def _from_before(lesson: Lesson, history: History) -> dict[str, Any]:
    """What the case says of the time before the lesson."""
    catalogue, standing, on = load_catalogue(), history.standing, lesson.date
    signs = held_signs(standing, history.past.body_words)
    apart, returns = history.apart
    hurting = hurting_on(aches_now(standing, history.record), on)
    return {
        "known": {
            name: {"grade": seen.grade, "days": (on - seen.on).days}
            for name, seen in signs.items()
            if lesson.player.instrument in catalogue.evidence[name].instruments
        },
        "hurting": {p.value: {"pain": h.pain, "days": h.days} for p, h in hurting.items()},
        "apart": {
            name: {"why": each.why.value, **({} if each.days is None else {"days": each.days})}
            for name, each in apart.items()
        },
        "returning": sorted(returns),
        "memory": thought_before(standing, history.record),
        "kept_focus": list(standing.focus),
    }


def _passed(history: History) -> dict[str, int]:
    """Rungs passed; what hurt comes back on the step before."""
    passed = passed_rungs(history.standing, history.record, load_catalogue())
    for name, rung in history.apart[1].items():
        if name in passed:
            passed[name] = min(passed[name], rung - 1)
    return {name: rungs for name, rungs in passed.items() if rungs > 0}


def asks_pain(lesson: Lesson) -> bool:
    """The complaint speaks of pain or ache, and pain was neither told nor denied."""
    catalogue = load_catalogue()
    complaint = catalogue.evidence.get(lesson.complaint)
    aching = {c.evidence for c in catalogue.complaints.values() if c.hurts}
    return complaint is not None and complaint.id in aching and "pain" not in lesson.reports


def open_words(view: LessonView) -> str:
    """What a week waits for while a question about pain is open, in a sentence; "" for nothing."""
    if places := tuple(view.still_asked):
        return words_of(said("again-ask-places", places=places))
    return words_of(said("again-ask-pain")) if asks_pain(view.lesson) else ""


def weeks_away(lesson: Lesson, past: Past) -> int | None:
    """Whole weeks without a lesson or practice when that is long enough to ask about; else None."""
    newest = past.standing.newest
    if newest is None or (lesson.date - newest).days < SHORT_BREAK_DAYS:
        return None
    weeks = int(weeks_idle(lesson.player_id, newest, lesson.date))
    return weeks if weeks >= SHORT_BREAK_WEEKS else None
