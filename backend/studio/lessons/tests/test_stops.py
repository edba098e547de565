"""A stop: what raises it, what alone lifts it, and how the work begins again."""

from datetime import timedelta

from lefthand.catalogue.catalogue import load_catalogue
from studio.entries import undo
from studio.errors import StudioError
from studio.home.link import make_link, open_link
from studio.home.log import answer_later, log_day, take_back_stop
from studio.lessons.flags import lift_flags, open_flags, open_reasons
from studio.models import HomeDay, LessonEntry, PracticeResult, RedFlag
from studio.sheet.pages import sheet_pdf
from studio.sheet.sheet import build_sheet
from studio.tests.studio_case import DAY, GRIP, StudioCase
from studio.today.day_list import day_rows

NOTE = "Seen by a physiotherapist, may begin gently."
WEAK_FOURTH = {
    "tip.gives": {"4": 3},
    "arch.fails": {"4": 3},
    "elbow.behind": 0,
    "laxity.fingers": 0,
}


class StopCase(StudioCase):
    def reasons(self):
        return open_reasons(open_flags(self.player))

    def lift(self, on=DAY, **more):
        return lift_flags(self.player, note=NOTE, on=on, **more)

    def assert_refused(self, code, call):
        with self.assertRaises(StudioError) as caught:
            call()
        self.assertEqual(caught.exception.code, code)


class Raising(StopCase):
    def test_other_answers_never_take_a_stop_away(self):
        for later in ({}, {"pain": 2}, {"swelling": False}, None):
            with self.subTest(later=later):
                RedFlag.objects.all().delete()
                lesson = self.lesson()
                self.enter(lesson, "reports", "", {"numbness": True, "swelling": True})
                self.enter(lesson, "reports", "", later)
                self.assertEqual(self.reasons(), ["numbness", "swelling"])
                self.assertTrue(self.view(lesson).safety.is_red)

    def test_a_tick_by_mistake_is_undone_and_stays_in_the_log(self):
        lesson = self.lesson()
        self.enter(lesson, "reports", "", {"pain": 4})
        self.enter(lesson, "reports", "", {"pain": 4, "swelling": True})
        undo(lesson.pk)
        self.assertEqual(self.reasons(), ["pain"])
        undo(lesson.pk)
        self.assertEqual(self.reasons(), [])
        log = LessonEntry.objects.filter(lesson=lesson, kind="reports")
        self.assertEqual([(e.undone, e.after["pain"]) for e in log], [(True, 4), (True, 4)])

    def test_undo_does_not_touch_a_stop_that_was_lifted(self):
        lesson = self.lesson()
        self.enter(lesson, "reports", "", {"swelling": True})
        self.lift()
        undo(lesson.pk)
        self.assertEqual(RedFlag.objects.get().note, NOTE)

    def test_after_a_lift_every_other_red_sign_raises_a_stop_anew(self):
        table = (
            ({"pain": 4}, {"pain": 4, "numbness": True}, ["numbness"]),
            (
                {"pain": 4},
                {"numbness": True, "swelling": True},
                ["numbness", "swelling"],
            ),
            ({"pain": 4}, {"pain": 4}, []),
            ({"pain": 4}, {"pain": 3}, []),
            ({"pain": 4}, {"pain": 7}, ["pain"]),
        )
        for first, second, expected in table:
            with self.subTest(first=first, second=second):
                RedFlag.objects.all().delete()
                lesson = self.lesson()
                self.enter(lesson, "reports", "", first)
                self.lift()
                self.enter(lesson, "reports", "", second)
                self.assertEqual(self.reasons(), expected)
                self.assertEqual(self.view(lesson).safety.is_red, bool(expected))
                self.assertNotEqual(self.view(lesson).safety.level.value, "none")

    def test_pain_in_a_result_counts_like_any_other_pain(self):
        given = self.whole_lesson(0, GRIP)
        item = str(given.plan.items.first().pk)
        for pain, place, level in ((1, None, "amber"), (4, None, "red"), (2, "skin", "amber")):
            with self.subTest(pain=pain, place=place):
                RedFlag.objects.all().delete()
                lesson = self.lesson(1)
                self.enter(lesson, "reports", "", {"place": place} if place else {})
                self.enter(lesson, "result", item, {"passed": True, "pain": pain})
                self.assertEqual(self.view(lesson).safety.level.value, level)
                undo(lesson.pk)
                self.assertEqual(self.reasons(), [])
                PracticeResult.objects.filter(lesson=lesson).delete()


class Lifting(StopCase):
    def test_only_a_sentence_lifts(self):
        lesson = self.lesson()
        self.enter(lesson, "reports", "", {"swelling": True})
        for note in ("", "   ", "ok", "all is ok", ". . . . . . . . . . .", "12345 67890 12", "fineeeeeeeeee",
                     "x" * 200 + " " + "y" * 200):  # fmt: skip
            with self.subTest(note=note[:20]):
                self.assert_refused(
                    "bad_input", lambda note=note: lift_flags(self.player, note=note, on=DAY)
                )
        self.assertEqual(self.reasons(), ["swelling"])
        self.lift()
        self.assertEqual(self.reasons(), [])
        self.assert_refused("not_found", self.lift)

    def test_one_note_lifts_all_stops_that_were_read_and_no_other(self):
        given = self.whole_lesson(0, GRIP)
        self.enter(given, "reports", "", {"swelling": True})
        token = make_link(given.player).token
        log_day(token, {"date": DAY, "done": "done", "felt": "tight", "signs": ["numbness"]}, DAY)
        self.assertEqual(set(self.reasons()), {"swelling", "numbness"})
        self.lift(seen=["swelling"])
        self.assertEqual(self.reasons(), ["numbness"])
        self.assert_refused("conflict", lambda: self.lift(seen=["swelling"]))
        self.lift(seen=["numbness"])
        self.assertEqual(self.reasons(), [])
        self.assertEqual({flag.note for flag in RedFlag.objects.all()}, {NOTE})

    def pass_all(self, lesson):
        for row in self.view(lesson).review:
            self.enter(lesson, "result", str(row.item.pk), {"passed": True})

    def passing_lesson(self, week):
        lesson = self.lesson(week)
        self.pass_all(lesson)
        self.look(
            lesson, {"web.closed": 3, "thumb.locked": 3 - week // 2, "nail.pale": 2 - week % 2}
        )
        self.enter(lesson, "focus", "", ["thumb_index_grip"])
        self.give(lesson, *(i.exercise for i in self.view(lesson).proposal.items))
        return lesson

    def test_after_a_lift_two_weeks_ease_off_on_the_step_before(self):
        for week in range(4):
            given = self.passing_lesson(week)
        before = {i.exercise: i.rung for i in given.plan.items.all()}
        self.assertGreater(max(before.values()), 2)
        stopped = self.lesson(4)
        self.pass_all(stopped)
        self.enter(stopped, "reports", "", {"pain": 5})
        self.lift(on=stopped.date)
        for week in (4, 5):
            lesson = self.lesson(week)
            self.all_gone(lesson)
            self.look(lesson, GRIP)
            view = self.view(lesson)
            self.assertTrue(view.safety.is_amber)
            for item in view.proposal.items:
                exercise = view.catalogue.exercises[item.exercise]
                full = exercise.rung(item.rung).dose
                self.assertLess(item.dose.work_seconds(), full.work_seconds())
                self.assertIn(item.kind.value, ("release", "placement"))
                if item.exercise in before:
                    self.assertLess(item.rung, max(2, before[item.exercise]))
            self.give(lesson, *(i.exercise for i in view.proposal.items))
        self.assertFalse(self.view(self.lesson(6)).safety.is_amber)

    def test_load_begins_again_at_half_after_a_lift_and_after_a_break(self):
        self.player.level = "advanced"
        self.player.save()

        def load(lesson):
            view = self.view(lesson)
            items = [i for i in view.proposal.items if i.kind.value == "strength"]
            return sum(i.dose.work_seconds(len(i.fingers)) * len(i.days) for i in items)

        self.whole_lesson(0, WEAK_FOURTH)
        full = load(self.lesson(0))
        self.assertGreater(full, 0)
        back = self.whole_lesson(6, WEAK_FOURTH)
        self.assertEqual(load(back), 0, "easing off")
        self.assertEqual(load(self.whole_lesson(7, WEAK_FOURTH)), 0, "still")
        second = self.whole_lesson(8, WEAK_FOURTH)
        self.assertGreater(load(second), 0)
        self.assertLessEqual(load(second), 0.6 * full, "half, or the least dose of the step")
        self.assertLessEqual(load(self.whole_lesson(9, WEAK_FOURTH)), 0.7 * full)


class AtHome(StopCase):
    def setUp(self):
        super().setUp()
        self.given = self.whole_lesson(0, GRIP)
        self.token = make_link(self.given.player).token

    def log(self, day, **more):
        data = {"date": DAY + timedelta(days=day), "done": "done", "felt": "soft", **more}
        return log_day(self.token, data, DAY + timedelta(days=day))

    def test_slight_pain_eases_the_rest_of_the_week_at_once(self):
        before = {i.exercise: i for i in open_link(self.token, DAY).items}
        week = self.log(1, pain=2)
        self.assertTrue(week.is_eased)
        self.assertTrue(week.items)
        for item in week.items:
            self.assertLess(week.dose(item).work_seconds(), week_work(before[item.exercise]))
            self.assertIn(exercise_of(item).kind.value, ("release", "placement"))
        self.assertLess(len(week.items), len(before))
        self.assertLess(week.minutes, open_link(self.token, DAY).minutes + 0.1)

    def test_it_stands_on_today_for_players_not_due_first_in_the_list(self):
        other = type(self.player).objects.create(
            teacher=self.teacher, name="Aaron Due", instrument="vc", weekday=DAY.weekday()
        )
        self.player.weekday = (DAY.weekday() + 3) % 7
        self.player.save()
        self.log(1, pain=1)
        rows = day_rows(self.teacher, DAY + timedelta(days=1))
        self.assertEqual([r.player for r in rows], [self.player, other])
        self.assertEqual(rows[0].pain.pain, 1)
        self.assertIsNone(rows[1].pain)
        rows = day_rows(self.teacher, DAY + timedelta(days=9))
        self.assertEqual([r.player for r in rows], [other, self.player])

    def test_the_next_day_tells_whether_it_was_still_there(self):
        table = (
            (["next_day"], ["next_day"]),
            (["rest", "night"], ["rest", "night"]),
            ([], []),
        )
        for times, reasons in table:
            with self.subTest(times=times):
                RedFlag.objects.all().delete()
                self.log(1, pain=2)
                week = answer_later(self.token, DAY + timedelta(1), times, DAY + timedelta(2))
                self.assertEqual(self.reasons(), reasons)
                self.assertEqual(HomeDay.objects.get().later, times)
                self.assertEqual(week.reasons, reasons or None)

    def test_a_log_without_pain_takes_back_what_was_said_of_the_pain_of_that_day(self):
        self.log(1, pain=2, place="thumb")
        answer_later(self.token, DAY + timedelta(days=1), [], DAY + timedelta(days=2))
        self.assertEqual(self.given.home_days.get().later, [])
        self.log(1, pain=2, place="thumb", felt="tight")
        self.assertEqual(self.given.home_days.get().later, [])
        self.log(1, pain=0)
        self.assertIsNone(self.given.home_days.get().later)

    def test_a_page_of_before_the_update_may_still_name_reasons_by_their_words(self):
        self.log(1, signs=["numbness"], pain=5)
        self.lift(seen=["numbness or tingling", "pain of 4 or more out of 10"])
        self.assertEqual(self.reasons(), [])

    def test_a_stop_is_never_lifted_before_it_was_raised(self):
        self.log(1, signs=["numbness"])
        (flag,) = open_flags(self.player)
        lifted = lift_flags(self.player, note=NOTE, on=flag.raised_on - timedelta(days=3))
        self.assertEqual(lifted.lifted_on, flag.raised_on)

    def test_bad_answers_are_refused(self):
        self.log(1)
        self.assert_refused("bad_input", lambda: answer_later(self.token, DAY, [], DAY))
        self.log(2, pain=1)
        day = DAY + timedelta(2)
        self.assert_refused("bad_input", lambda: answer_later(self.token, day, ["always"], day))

    def test_after_a_lifted_stop_the_week_is_eased_for_two_weeks(self):
        self.log(1, signs=["swelling"])
        self.lift(on=DAY + timedelta(2))
        self.assertTrue(open_link(self.token, DAY + timedelta(2)).is_eased)
        self.assertTrue(open_link(self.token, DAY + timedelta(15)).is_eased)
        self.assertFalse(open_link(self.token, DAY + timedelta(16)).is_eased)

    def test_a_sheet_printed_again_is_eased_too(self):
        full = build_sheet(self.given, DAY)
        self.assertFalse(full.eased)
        self.log(1, signs=["swelling"])
        self.lift(on=DAY + timedelta(2))
        eased = build_sheet(self.given, DAY + timedelta(2))
        week = open_link(self.token, DAY + timedelta(2))
        self.assertTrue(eased.eased)
        self.assertEqual([i.exercise.id for i in eased.items], [i.exercise for i in week.items])
        self.assertLess(eased.minutes_a_day, full.minutes_a_day)
        self.assertIn(b"%PDF", sheet_pdf(eased)[:8])

    def test_a_week_that_was_given_eased_is_not_halved_again(self):
        lesson = self.lesson(1)
        self.enter(lesson, "reports", "", {"pain": 2})
        self.look(lesson, GRIP)
        self.give(lesson, *(i.exercise for i in self.view(lesson).proposal.items))
        token = make_link(lesson.player).token
        given = {i.exercise: week_work(i) for i in open_link(token, lesson.date).items}
        day = lesson.date + timedelta(3)
        week = log_day(token, {"date": day, "done": "done", "felt": "soft", "pain": 1}, day)
        self.assertEqual({i.exercise: week.dose(i).work_seconds() for i in week.items}, given)

    def test_a_stop_by_mistake_is_taken_back_within_a_minute_and_leaves_a_trace(self):
        key = "log-key-0001"
        self.log(1, signs=["swelling"], client_key=key)
        day = DAY + timedelta(1)
        self.assert_refused("bad_input", lambda: take_back_stop(self.token, key, 61, day))
        self.assert_refused("conflict", lambda: take_back_stop(self.token, "another-key", 5, day))
        week = take_back_stop(self.token, key, 20, day)
        self.assertEqual((week.reasons, week.is_eased, week.logs), (None, False, []))
        self.assertTrue(RedFlag.objects.get().mistaken)
        self.assertFalse(self.view(self.lesson(1)).safety.is_amber)
        self.assert_refused("conflict", lambda: take_back_stop(self.token, key, 30, day))

    def test_an_answer_by_mistake_is_taken_back_and_asked_again(self):
        self.log(1, pain=2)
        day, key = DAY + timedelta(2), "later-key-01"
        answer_later(self.token, DAY + timedelta(1), ["night"], day, client_key=key)
        week = take_back_stop(self.token, key, 10, day)
        self.assertIsNone(week.reasons)
        self.assertIsNone(HomeDay.objects.get().later)
        self.assertTrue(week.is_eased, "it hurt all the same")

    def test_a_stop_with_another_reason_behind_it_is_not_taken_back(self):
        self.log(1, signs=["numbness"], client_key="log-key-0001")
        self.log(2, pain=6, client_key="log-key-0002")
        day = DAY + timedelta(2)
        for key in ("log-key-0001", "log-key-0002"):
            self.assert_refused("conflict", lambda key=key: take_back_stop(self.token, key, 5, day))
        self.assertEqual(len(self.reasons()), 2)


def exercise_of(item):
    return load_catalogue().exercises[item.exercise]


def week_work(item):
    return item.sets * item.reps * item.seconds
