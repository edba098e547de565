"""Whatever the player, the week is safe: properties over random players."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.doses import is_load, least_dose, load_minutes
from lefthand.practice.objections import WeekItem, objections
from lefthand.practice.plan import plan_json
from lefthand.practice.planning import (
    alternatives,
    prescribe,
)
from lefthand.practice.selection import Wishes
from lefthand.practice.situation import Situation
from lefthand.reason.diagnosis import diagnose
from lefthand.reason.waiting import STRENGTH_WAITS_FOR
from lefthand.tests.cases import case
from lefthand.tests.effort import usually
from lefthand.values.vocabulary import LIKELY_ABOVE, POSSIBLE_ABOVE, Instrument, Kind
from lefthand.words.words import words_of

CATALOGUE = load_catalogue()


@st.composite
def players(draw):
    """Any player at all."""
    instrument = draw(st.sampled_from(Instrument))
    names = [e.id for e in CATALOGUE.evidence_of(instrument)]
    exercises = sorted(CATALOGUE.exercises)
    return case(
        instrument.value,
        draw(st.dictionaries(st.sampled_from(names), st.integers(0, 3), max_size=14)),
        level=draw(st.sampled_from(["beginner", "intermediate", "advanced"])),
        age=draw(st.integers(4, 85)),
        hours_a_day=draw(st.sampled_from([0.5, 1, 3])),
        daily_minutes=draw(st.sampled_from([3, 5, 8, 10, 15, 30])),
        helper_at_home=draw(st.booleans()),
        break_weeks=draw(st.sampled_from([0, 0, 3, 6])),
        passed={e: 1 for e in draw(st.lists(st.sampled_from(exercises), max_size=3))},
        recent_focus=draw(st.lists(st.sampled_from(STRENGTH_WAITS_FOR), max_size=1)),
        way_of_teaching={"strength": draw(st.sampled_from(CATALOGUE.ways["strength"].values))},
        reports=draw(st.sampled_from([{}, {}, {}, {"pain": 2}, {"swelling": True}])),
    )


class Properties(TestCase):
    @settings(max_examples=usually(50, 150), deadline=None)
    @given(players())
    def test_alternatives_are_as_safe_as_the_proposal(self, player):
        seen = diagnose(player, CATALOGUE)
        for each in alternatives(prescribe(seen, CATALOGUE), Situation(seen, CATALOGUE)):
            self.assertLessEqual(each.plan.minutes_a_day, player.minutes_budget)
            self.check_waiting(player, seen, each.plan)
            for item in each.plan.items:
                self.check_item(player, seen, item)

    @settings(max_examples=usually(100, 300), deadline=None)
    @given(players(), st.floats(1, 900))
    def test_what_loads_the_hand_keeps_to_the_limit_or_to_the_least_dose(self, player, limit):
        seen = diagnose(player, CATALOGUE)
        now = Situation(seen, CATALOGUE)
        loads = [
            item
            for item in prescribe(seen, CATALOGUE, Wishes(load_limit=limit)).items
            if is_load(CATALOGUE.exercises[item.exercise])
        ]
        self.assertLessEqual(len(loads), 1)
        for item in loads:
            exercise, fingers = CATALOGUE.exercises[item.exercise], len(item.fingers)
            least = least_dose(exercise, item.rung, now).work_seconds(fingers)
            work = item.dose.work_seconds(fingers) * len(item.days)
            self.assertLessEqual(work, max(limit, least * len(item.days)) + 1e-9)
            self.assertLessEqual(item.minutes, load_minutes(player))

    @settings(max_examples=usually(100, 300), deadline=None)
    @given(players(), st.one_of(st.none(), st.floats(1, 900)))
    def test_the_rules_never_object_to_a_proposal(self, player, limit):
        seen = diagnose(player, CATALOGUE)
        proposal = prescribe(seen, CATALOGUE, Wishes(load_limit=limit))
        others = alternatives(proposal, Situation(seen, CATALOGUE), Wishes(load_limit=limit))
        for each in (proposal, *(other.plan for other in others)):
            week = [WeekItem(i.exercise, i.rung, i.dose, i.days, i.fingers) for i in each.items]
            self.assertEqual(objections(week, Situation(seen, CATALOGUE), limit), [])

    @settings(max_examples=usually(400, 1500), deadline=None)
    @given(players())
    def test_every_plan_is_safe(self, player):
        seen = diagnose(player, CATALOGUE)
        found = prescribe(seen, CATALOGUE)
        self.assertEqual(plan_json(found), plan_json(prescribe(seen, CATALOGUE)))
        if player.reports.swelling:
            self.assertEqual((found.paused, found.items, found.offered), (True, (), ()))
            return
        self.assertLessEqual(found.minutes_a_day, player.minutes_budget)
        self.assertLessEqual(len(found.items), 3)
        self.check_waiting(player, seen, found)
        for item in found.items:
            self.check_item(player, seen, item)

    def check_waiting(self, player, seen, found):
        likely = any(seen.probability(c) > LIKELY_ABOVE for c in STRENGTH_WAITS_FOR)
        way = player.way_of_teaching["strength"]
        must_wait = way == "loosen_only" or (
            way == "loosen_first" and (likely or bool(player.recent_focus))
        )
        if must_wait:
            self.assertFalse([i for i in found.items if i.kind is Kind.STRENGTH])

    def check_item(self, player, seen, item):
        exercise = CATALOGUE.exercises[item.exercise]
        self.assertIn(player.instrument, exercise.instruments)
        self.assertTrue(words_of(item.why).endswith("."))
        self.assertTrue(set(item.days) <= set(range(1, 7)))
        self.assertTrue(1 <= item.rung <= len(exercise.rungs))
        self.assertGreaterEqual(player.age, exercise.min_age)
        loads = exercise.kind is Kind.STRENGTH or exercise.stretch
        if loads:
            self.assertLessEqual(item.minutes, load_minutes(player))
            if player.age < 10 or player.age > 60:
                self.assertFalse(any(d + 1 in item.days for d in item.days))
        if seen.probability("joint_laxity") > POSSIBLE_ABOVE:
            self.assertFalse(exercise.nudge or exercise.stretch)
        if player.age < 8:
            self.assertLessEqual(exercise.static_s, 5)
        if seen.safety.is_amber:
            self.assertIn(item.kind, (Kind.RELEASE, Kind.PLACEMENT))
            self.assertFalse(exercise.static_s or exercise.stretch)
        for need in exercise.needs:
            if need in player.findings:
                self.assertLess(player.findings[need].grade, 2)
