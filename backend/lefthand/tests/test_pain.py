"""Pain and its place, over days and over exercises (rules of the trade: common practice, no
source)."""

from datetime import date, timedelta
from unittest import TestCase

from lefthand.case.case import Hurt
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.practice.apart import Fails, Harm, apart_on, fails_after, harms_after, returning
from lefthand.practice.doses import safe_dose
from lefthand.practice.objections import WeekItem, objections
from lefthand.practice.pains import (
    Pain,
    after_pains,
    asked_again,
    hurting_on,
    level_now,
    none_is_left,
    over_time,
)
from lefthand.practice.planning import alternatives, prescribe
from lefthand.practice.progress import PracticeDay
from lefthand.practice.record import Given, GivenWeek, LessonRecord, Shown
from lefthand.practice.rules import pain_against
from lefthand.practice.situation import Situation
from lefthand.reason.learning import LessonFacts
from lefthand.reason.safety import assess_safety
from lefthand.tests.cases import case, diagnosis, plan
from lefthand.values.errors import InputError
from lefthand.values.vocabulary import Instrument, Place, Setting
from lefthand.words import words_of

CATALOGUE = load_catalogue()
EXERCISES = CATALOGUE.exercises
DAY = date(2026, 3, 4)
GRIP = {"web.closed": 3, "thumb.locked": 3, "nail.pale": 2, "hold.slips": 0}
# Weak by itself, with a soft tip; only a nudge or a stretch is asked for.
CAVES = {"tip.gives": {"4": 3}, "arch.fails": {"4": 3}, "elbow.behind": 0, "web.closed": 0}
SLIPS = {"hold.slips": 3, "web.closed": 2, "thumb.locked": 1}


def on(days):
    return DAY + timedelta(days=days)


def told(*pains):
    return [Pain(on(days), Place(place), level) for days, place, level in pains]


class OverDays(TestCase):
    def test_how_long_the_next_day_and_new_are_told_by_the_days(self):
        table = (
            ("first", [(0, "thumb", 2)], (0, False, True)),
            ("a week on", [(0, "thumb", 2), (7, "thumb", 1)], (1, False, False)),
            ("three lessons", [(0, "thumb", 2), (7, "thumb", 1), (14, "thumb", 2)], (2, False, False)),
            ("the next day", [(0, "thumb", 2), (1, "thumb", 2)], (1 / 7, True, False)),
            ("another place", [(0, "thumb", 2), (1, "neck", 2)], (0, False, True)),
            ("gone between", [(0, "thumb", 2), (7, "thumb", 0), (14, "thumb", 2)], (0, False, True)),
            ("long ago", [(0, "thumb", 2), (15, "thumb", 2)], (0, False, True)),
            ("just in time", [(0, "thumb", 2), (14, "thumb", 2)], (2, False, False)),
            ("told late", [(14, "thumb", 2), (0, "thumb", 2), (7, "thumb", 1)], (2, False, False)),
            ("skin", [(0, "skin", 2), (1, "skin", 2), (14, "skin", 2)], (0, False, False)),
            ("nobody said where", [(0, "somewhere", 2), (1, "somewhere", 1)], (1 / 7, True, False)),
        )  # fmt: skip
        for name, pains, (weeks, next_day, is_new) in table:
            with self.subTest(name):
                last = max(day for day, _, _ in pains)
                found = over_time(after_pains({}, told(*pains)), on(last))
                self.assertAlmostEqual(found.weeks, weeks)
                self.assertEqual((found.next_day, found.is_new), (next_day, is_new))

    def test_told_lesson_by_lesson_it_is_the_same(self):
        pains = told(
            (0, "thumb", 2), (3, "neck", 1), (7, "thumb", 1), (8, "neck", 0), (14, "thumb", 3)
        )
        aches = {}
        for pain in pains:
            aches = after_pains(aches, [pain])
        self.assertEqual(aches, after_pains({}, pains))

    def test_a_lifted_stop_counts_anew(self):
        pains = told((0, "thumb", 2), (7, "thumb", 2), (15, "thumb", 2))
        self.assertGreater(over_time(after_pains({}, pains), on(15)).weeks, 2)
        self.assertLess(over_time(after_pains({}, pains, on(8)), on(15)).weeks, 2)

    def test_what_is_asked_again_and_what_the_answer_means(self):
        aches = after_pains({}, told((0, "thumb", 2), (0, "neck", 3), (5, "neck", 0)))
        self.assertEqual(list(asked_again(aches, on(7))), [Place.THUMB])
        self.assertEqual(list(asked_again(aches, on(0))), [])
        self.assertEqual([p.place for p in none_is_left(aches, on(7))], [Place.THUMB])
        for answer, level, now in (
            ("gone", 2, 0), ("less", 3, 2), ("less", 1, 1), ("less", 9, 3), ("same", 2, 2), ("more", 3, 4),
            ("more", 10, 10),
        ):  # fmt: skip
            self.assertEqual(level_now(answer, level), now)

    def test_what_hurt_in_the_last_seven_days_also_where_it_is_gone(self):
        aches = after_pains({}, told((0, "thumb", 2), (3, "thumb", 0), (5, "neck", 1)))
        self.assertEqual(
            hurting_on(aches, on(7)), {Place.THUMB: Hurt(2, 7), Place.NECK: Hurt(1, 2)}
        )
        self.assertEqual(list(hurting_on(aches, on(8))), [Place.NECK])


class Places(TestCase):
    def test_every_exercise_says_what_it_loads_and_what_is_played_loads_the_fingers(self):
        for exercise in EXERCISES.values():
            played = exercise.setting in (Setting.PLUCKED, Setting.BOWED, Setting.PIECE)
            if played and exercise.id not in ("open_string_line", "stands_alone"):
                with self.subTest(exercise.id):
                    self.assertTrue(exercise.loads, "says what it loads")
        for name in ("tighten_and_melt", "quiet_hold"):
            self.assertTrue(EXERCISES[name].never_with_pain)

    def test_nothing_on_a_hurting_place_is_planned_offered_or_given_without_an_objection(self):
        for place in Place:
            if place in (Place.SKIN, Place.SOMEWHERE):
                continue
            for reports, hurting in (
                ({"pain": 2, "place": place.value}, {}),
                ({}, {place.value: {"pain": 1, "days": 6}}),
            ):
                for instrument in ("vn", "vc"):
                    with self.subTest(place=place, reports=reports, instrument=instrument):
                        self.holds(place, instrument, reports, hurting)

    def holds(self, place, instrument, reports, hurting):
        held = {"fades.early": 3, "handback.tight": 3, "idle.stiff": 3}
        seen = diagnosis(instrument, held, reports=reports, hurting=hurting)
        now = Situation(seen, CATALOGUE)
        first = prescribe(seen, CATALOGUE)
        given = [*first.items, *(i for a in alternatives(first, now) for i in a.plan.items)]
        for item in given:
            loads = EXERCISES[item.exercise].loads_on(Instrument(instrument), item.rung)
            self.assertFalse(place.spares & loads, item.exercise)
        self.assertEqual(first.safety.level.value, "amber")
        for exercise in EXERCISES.values():
            if Instrument(instrument) not in exercise.instruments:
                continue
            dose = safe_dose(exercise, 1, now)
            said = [
                words_of(o.said)
                for o in objections([WeekItem(exercise.id, 1, dose, (1, 2, 3, 5))], now)
            ]
            if place.spares & exercise.loads_on(Instrument(instrument), 1):
                self.assertTrue([r for r in said if r.startswith(exercise.name)], exercise.id)

    def test_the_reason_says_what_hurt_and_when(self):
        table = (
            ("thumb_taps", {Place.THUMB: Hurt(2, 0)}, "the thumb hurts: nothing that loads it"),
            ("thumb_taps", {Place.HAND: Hurt(2, 1)}, "the hand hurt yesterday: nothing that loads it"),
            ("thumb_taps", {Place.FINGERS: Hurt(2, 0)}, None),
            ("tighten_and_melt", {Place.BACK: Hurt(1, 3)}, "the back hurt 3 days ago: not while anything hurts"),
            ("quiet_hold", {Place.SOMEWHERE: Hurt(1, 0)}, "something hurts: not while anything hurts"),
        )  # fmt: skip
        for name, sore, words in table:
            with self.subTest(name=name, sore=sore):
                found = pain_against(EXERCISES[name], 1, Instrument.VIOLIN, sore)
                self.assertEqual(found and words_of(found), words)

    def test_holding_loads_neck_and_shoulder_where_the_instrument_is_held_up(self):
        taps = EXERCISES["thumb_taps"]
        sore = {Place.NECK: Hurt(2, 0)}
        self.assertIsNotNone(pain_against(taps, 2, Instrument.VIOLIN, sore))
        self.assertIsNone(pain_against(taps, 2, Instrument.CELLO, sore))

    def test_sore_skin_shortens_to_two_thirds_and_is_no_flag(self):
        sore = {"pain": 2, "place": "skin"}
        self.assertEqual(assess_safety(case("vn", reports=sore)).level.value, "none")
        now = Situation(diagnosis("vn", GRIP, reports=sore), CATALOGUE)
        for exercise in EXERCISES.values():
            full, short = exercise.rung(1).dose, safe_dose(exercise, 1, now)
            share = short.work_seconds() / full.work_seconds()
            if Place.FINGERS in exercise.loads:
                self.assertLessEqual(share, 2 / 3 + 1e-9)
                self.assertGreater(share, 0.4)
            elif exercise.kind.value != "strength":
                self.assertEqual(share, 1)

    def test_half_is_half(self):
        for exercise in EXERCISES.values():
            for rung in exercise.rungs:
                with self.subTest(exercise.id, rung=rung.words):
                    full, half = rung.dose.work_seconds(), rung.dose.halved().work_seconds()
                    self.assertLessEqual(half, full / 2 + 1e-9)
                    self.assertGreater(half, 0.3 * full)

    def test_a_place_that_is_none_is_refused_by_its_name(self):
        for field, data in (
            ("hurting.knee", {"hurting": {"knee": {"pain": 1}}}),
            ("hurting.thumb.pain", {"hurting": {"thumb": {"pain": 11}}}),
            ("known.no.such", {"known": {"no.such": {"grade": 1}}}),
            ("known.laxity.fingers.grade", {"known": {"laxity.fingers": {"grade": 4}}}),
            ("apart.no_such", {"apart": {"no_such": {"why": "hurt"}}}),
            ("apart.thumb_taps.why", {"apart": {"thumb_taps": {"why": "bored"}}}),
            ("memory.no_such", {"memory": {"no_such": 0.5}}),
            ("memory.thumb_index_grip", {"memory": {"thumb_index_grip": 1.5}}),
            ("kept_focus", {"kept_focus": ["no_such"]}),
            ("returning.no_such", {"returning": ["no_such"]}),
        ):
            with self.subTest(field), self.assertRaises(InputError) as caught:
                case("vn", {}, **data)
            self.assertEqual(caught.exception.field, field)


class Joints(TestCase):
    """A nudge or a stretch waits until somebody has looked at loose joints."""

    def test_no_nudge_and_no_stretch_before_the_joints_were_looked_at_and_the_look_is_offered(self):
        for known, waits in (
            ({}, True),
            ({"laxity.fingers": {"grade": 0, "days": 30}}, False),
            ({"laxity.fingers": {"grade": 0, "days": 366}}, True),
        ):
            for level in ("intermediate", "advanced"):
                with self.subTest(known=known, level=level):
                    seen = diagnosis("vn", {**CAVES, "hold.slips": 0}, level=level, known=known)
                    found = prescribe(seen, CATALOGUE)
                    offered = [
                        n for n in found.offered if EXERCISES[n].nudge or EXERCISES[n].stretch
                    ]
                    self.assertEqual(bool(offered), not waits)
                    self.assertEqual("laxity.fingers" in found.check_first, waits)
                    self.assertEqual("laxity.fingers" in seen.awaited, waits)
                    if waits:
                        said = {w.exercise: words_of(w.reason) for w in found.withheld}
                        self.assertEqual(said["shaped_finger"], "look at loose joints first: 15 s")

    def test_loose_joints_of_an_earlier_lesson_still_count(self):
        known = {"laxity.fingers": {"grade": 3, "days": 200}}
        seen = diagnosis("vn", CAVES, known=known)
        self.assertGreater(seen.probability("joint_laxity"), 0.55)
        self.assertIn(
            "nobody sets them by hand",
            {w.exercise: words_of(w.reason) for w in prescribe(seen, CATALOGUE).withheld}[
                "shaped_finger"
            ],
        )
        again = diagnosis("vn", {**CAVES, "laxity.fingers": 0}, known=known)
        self.assertLess(again.probability("joint_laxity"), 0.25)

    def test_who_grows_is_asked_again_after_a_year(self):
        known = {"laxity.fingers": {"grade": 2, "days": 366}}
        for age, is_asked in ((12, True), (17, True), (18, False), (40, False)):
            with self.subTest(age=age):
                seen = diagnosis("vn", {"web.closed": 3, "thumb.locked": 3}, age=age, known=known)
                self.assertEqual("laxity.fingers" in seen.awaited, is_asked)


class NothingFalls(TestCase):
    def test_who_slips_lets_go_only_with_a_hand_below(self):
        for age, helper, known, is_home in (
            (7, False, {}, False),
            (9, False, {}, False),
            (9, True, {}, True),
            (12, False, {}, True),
            (7, False, {"hold.slips": {"grade": 0, "days": 7}}, False),
        ):
            with self.subTest(age=age, helper=helper):
                seen = diagnosis("vn", SLIPS, age=age, helper_at_home=helper, known=known)
                found = prescribe(seen, CATALOGUE)
                for item in found.items:
                    if not is_home:
                        self.assertFalse(EXERCISES[item.exercise].lets_go_of_it(item.rung))
                lets_go = [n for n in found.offered if EXERCISES[n].hand_away]
                self.assertEqual(bool(lets_go), is_home)
                if not is_home:
                    self.assertIn("hands_free_hold", found.in_lesson)
                    self.assertIn("with your hand below", words_of(found.says[0]))

    def test_a_hold_that_slipped_last_time_is_not_forgotten(self):
        known = {"hold.slips": {"grade": 3, "days": 7}}
        found = plan(
            "vn", {"web.closed": 3, "thumb.locked": 3}, age=7, helper_at_home=False, known=known
        )
        for item in found.items:
            self.assertFalse(EXERCISES[item.exercise].lets_go_of_it(item.rung), item.exercise)


class StaysOut(TestCase):
    """What hurt, and what failed again and again."""

    def record(self, days, *, pains=(), shown=(), given=()):
        return LessonRecord(
            on=on(days),
            facts=LessonFacts(),
            shown=tuple(Shown(name, 2, PracticeDay(ok, pain)) for name, ok, pain in shown),
            practised={name: (PracticeDay(True, 2, on=on(day)),) for name, day in pains},
            week=GivenWeek(tuple(Given(name, 2) for name in given), 5.0) if given else None,
        )

    def test_what_hurt_is_out_for_two_quiet_weeks_and_comes_back_a_step_before(self):
        week = GivenWeek((Given("thumb_taps", 3),), 5.0)
        harms = harms_after({}, self.record(7, pains=[("thumb_taps", 5)]), week, DAY)
        self.assertEqual(harms["thumb_taps"], Harm(1, on(5), 3, DAY))

        def out(day, aches=()):
            return apart_on(harms, {}, after_pains({}, told(*aches)), on(day), CATALOGUE)

        self.assertEqual(out(7)["thumb_taps"].days, 12)
        self.assertEqual(out(18)["thumb_taps"].days, 1)
        self.assertEqual(out(19), {})
        self.assertEqual(out(19, [(12, "thumb", 1)])["thumb_taps"].days, 7)
        self.assertEqual(out(19, [(12, "neck", 1)]), {})
        self.assertEqual(returning(harms), {"thumb_taps": 2})

    def test_twice_is_out_until_the_teacher_gives_it(self):
        week = GivenWeek((Given("thumb_taps", 2),), 5.0)
        once = harms_after({}, self.record(7, pains=[("thumb_taps", 5)]), week, DAY)
        same_week = harms_after(once, self.record(8, pains=[("thumb_taps", 6)]), week, DAY)
        self.assertEqual(same_week["thumb_taps"].times, 1)
        back = harms_after(once, self.record(35), week, on(28))
        self.assertTrue(back["thumb_taps"].is_back)
        self.assertEqual(returning(back), {})
        twice = harms_after(back, self.record(49, pains=[("thumb_taps", 44)]), week, on(42))
        self.assertIsNone(apart_on(twice, {}, {}, on(400), CATALOGUE)["thumb_taps"].days)
        given = harms_after(twice, self.record(63, given=["thumb_taps"]), None, None)
        self.assertEqual(apart_on(given, {}, {}, on(63), CATALOGUE), {})
        self.assertEqual(returning(given), {"thumb_taps": 1})

    def test_what_failed_in_three_lessons_is_out_for_eight_weeks(self):
        fails = {}
        for day in (0, 7, 14):
            fails = fails_after(fails, self.record(day, shown=[("thumb_taps", False, None)]))
        self.assertEqual(fails["thumb_taps"], Fails(3, on(14)))
        self.assertEqual(apart_on({}, fails, {}, on(21), CATALOGUE)["thumb_taps"].days, 49)
        self.assertEqual(apart_on({}, fails, {}, on(70), CATALOGUE), {})
        late = fails_after(fails, self.record(77, shown=[("thumb_taps", False, None)]))
        self.assertEqual(late["thumb_taps"].lessons, 1)
        self.assertEqual(fails_after(fails, self.record(21, shown=[("thumb_taps", True, 0)])), {})

    def test_what_stays_out_says_so_and_what_returns_is_halved(self):
        for apart, words in (
            ({"why": "hurt", "days": 3}, "it hurt: two weeks without pain first, 3 days more"),
            ({"why": "hurt_twice"}, "it hurt twice: only by your word"),
            ({"why": "failed", "days": 1}, "it failed in three lessons: eight weeks of something else, 1 day more"),
        ):  # fmt: skip
            found = plan("vn", GRIP, apart={"index_far_side": apart})
            self.assertIn(
                ("index_far_side", words),
                [(w.exercise, words_of(w.reason)) for w in found.withheld],
            )
        now = Situation(diagnosis("vn", GRIP, returning=["index_far_side"]), CATALOGUE)
        full = EXERCISES["index_far_side"].rung(1).dose
        self.assertEqual(safe_dose(EXERCISES["index_far_side"], 1, now), full.halved())


class Complaint(TestCase):
    def test_the_complaint_is_looked_at_first_and_counts_in_its_finger(self):
        seen = diagnosis("vn", {}, complaint="tip.gives", complaint_finger=4)
        self.assertIn("tip.gives", seen.next_look.checks)
        self.assertEqual(seen.findings["tip.gives"].by_finger, {4: 2})
        self.assertFalse(seen.enough)
        graded = diagnosis("vn", {"tip.gives": {"4": 3}}, complaint="tip.gives")
        self.assertNotIn("tip.gives", graded.awaited)
        for can_only_be_told in ("thumb.tired", "slow.skipped"):
            told_only = diagnosis("vn", {}, complaint=can_only_be_told)
            self.assertNotIn(can_only_be_told, told_only.awaited)
