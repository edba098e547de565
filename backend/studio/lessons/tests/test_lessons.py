"""From one lesson to the next: the same checks, advice, flags, sheet, demo."""

from datetime import timedelta

from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.said import said
from lefthand.words import words_of
from studio.demo.data import PLAYERS
from studio.demo.past_data import PASTS, levels
from studio.demo.players import build_demo
from studio.entries import undo
from studio.errors import StudioError
from studio.lessons.access import lesson_of, remove_lesson
from studio.lessons.cases import LessonView, weeks_away
from studio.lessons.decisions import objections
from studio.lessons.looks import lesson_look
from studio.models import HomeDay, Lesson, Player, PracticeResult
from studio.progress.timeline import build_timeline
from studio.tests.studio_case import DAY, GRIP, StudioCase
from studio.today.day_list import day_rows


class NextLesson(StudioCase):
    def test_last_lessons_findings_are_looked_at_again_first(self):
        first = self.whole_lesson(0, GRIP)
        second = self.lesson(1)
        look = lesson_look(self.view(second), first)
        self.assertTrue(look.again)
        self.assertEqual(look.checks, ("web.closed", "thumb.locked", "nail.pale"))
        words = {name: f"{words_of(said(f'grade-{GRIP[name]}'))} last time" for name in look.checks}
        self.assertEqual(look.whys, words)
        self.look(second, {"web.closed": 2, "thumb.locked": 1})
        self.enter(second, "skip", "nail.pale", True)
        self.assertFalse(lesson_look(self.view(second), first).again)

    def test_an_exercise_goes_on_stays_or_steps_back_with_its_reason(self):
        self.whole_lesson(0, GRIP)
        second = self.lesson(1)
        rows = {r.item.exercise: r for r in self.view(second).review}
        taps = rows["thumb_taps"]
        self.assertEqual((taps.advice.move.value, taps.advice.rung), ("stay", 1))
        self.enter(second, "result", str(taps.item.pk), {"passed": True})
        advice = self.advice(second, taps.item)
        self.assertEqual((advice.move.value, advice.rung), ("go on", 2))
        self.assertEqual(self.view(second).case.passed["thumb_taps"], 1)
        self.enter(second, "result", str(taps.item.pk), {"passed": True, "pain": 2})
        self.assertEqual(self.advice(second, taps.item).move.value, "step back")

    def advice(self, lesson, item):
        return next(r.advice for r in self.view(lesson).review if r.item.pk == item.pk)

    def test_three_good_days_at_home_go_on_too(self):
        first = self.whole_lesson(0, GRIP)
        for day in (1, 2, 3):
            PracticeResult.objects.create(
                item=first.plan.items.first(), date=DAY + timedelta(days=day), passed=True, pain=0
            )
        review = self.view(self.lesson(1)).review[0]
        self.assertEqual((review.advice.move.value, review.days_done), ("go on", 3))

    def test_two_failed_lessons_step_back(self):
        self.whole_lesson(0, GRIP)
        for week, move in ((1, "stay"), (2, "step back")):
            lesson = self.whole_lesson(week, GRIP)
            row = next(r for r in self.view(lesson).review if r.item.exercise == "thumb_taps")
            self.enter(lesson, "result", str(row.item.pk), {"passed": False})
            row = next(r for r in self.view(lesson).review if r.item.exercise == "thumb_taps")
            self.assertEqual(row.advice.move.value, move)

    def test_no_change_is_looked_into_and_left_out_while_the_exercise_passes_or_fails(self):
        for passed in (True, False, None):
            with self.subTest(passed=passed):
                self.player.lessons.all().delete()
                for week in range(3):
                    self.whole_lesson(week, GRIP)
                newest = self.lesson(3)
                self.look(newest, GRIP)
                for row in self.view(newest).review:
                    if passed is not None:
                        self.enter(newest, "result", str(row.item.pk), {"passed": passed})
                view = self.view(newest)
                stuck = [r for r in view.review if r.advice.move.value == "look again"]
                self.assertTrue(stuck)
                proposed = {i.exercise for i in view.proposal.items}
                self.assertFalse(proposed & {r.exercise.id for r in stuck})
                look = lesson_look(view, view.past.last_real)
                trials = {
                    t for r in stuck for t in view.catalogue.causes[r.exercise.aims[0]].settle
                }
                self.assertTrue(set(look.checks) & trials)

    def test_measured_values_count_as_grades_do(self):
        table = (((1.5, 1.5, 1.5, 1.5, 1.5), True), ((0.5, 0.5, 1.5, 2.5, 3.5), False))
        for seconds, is_stuck in table:
            with self.subTest(seconds):
                self.player.lessons.all().delete()
                for week, value in enumerate(seconds):
                    lesson = self.lesson(week)
                    self.look(lesson, {"hold.slips": {"value": value}})
                    if week < len(seconds) - 1:
                        self.give(lesson, "hands_free_hold")
                moves = {r.advice.move.value for r in self.view(lesson).review}
                self.assertEqual("look again" in moves, is_stuck)

    def test_stepping_back_from_the_lowest_step_changes_the_exercise(self):
        for week in (0, 1, 2):
            lesson = self.whole_lesson(week, {**GRIP, "nail.pale": 2 - week})
            for row in self.view(lesson).review:
                self.enter(lesson, "result", str(row.item.pk), {"passed": False})
        left_out = {r.exercise.id for r in self.view(lesson).review if r.advice.is_left_out}
        self.assertTrue(left_out)
        self.assertFalse(left_out & {i.exercise for i in self.view(lesson).proposal.items})

    def test_a_lesson_begun_by_mistake_goes_and_one_with_a_stop_stays(self):
        lesson = self.lesson(0)
        self.look(lesson, GRIP)
        remove_lesson(lesson)
        self.assertFalse(self.player.lessons.exists())
        stopped = self.lesson(1)
        self.enter(stopped, "reports", "", {"swelling": True})
        practised = self.lesson(2)
        with self.assertRaises(StudioError):
            remove_lesson(stopped)
        practised.home_days.create(date=practised.date, done="done")
        with self.assertRaises(StudioError):
            remove_lesson(practised)

    def test_a_focus_that_still_shows_is_kept_though_it_is_not_likely_any_more(self):
        self.whole_lesson(0, GRIP)
        second = self.lesson(1)
        self.look(second, {"web.closed": 1, "thumb.locked": 1, "nail.pale": 0})
        view = self.view(second)
        self.assertEqual(view.diagnosis.engine_focus, ("thumb_index_grip",))
        self.assertEqual([f.cause for f in view.diagnosis.focus], ["thumb_index_grip"])
        self.enter(second, "cause", "thumb_index_grip", {"word": "dismissed"})
        self.assertEqual(self.view(second).diagnosis.focus, ())

    def test_the_players_page_shows_what_was_seen_by_lesson(self):
        self.whole_lesson(0, GRIP)
        self.whole_lesson(1, {"web.closed": 1, "thumb.locked": 0, "nail.pale": 2})
        timeline = build_timeline(self.player, DAY + timedelta(weeks=1))
        rows = {row.evidence.id: row.graded for row in timeline.rows}
        self.assertEqual(rows["thumb.locked"], [3, 0])
        self.assertEqual(rows["nail.pale"], [2, 2])
        self.assertNotIn("hold.slips", rows)

    def test_the_rules_object_to_a_plan_by_hand_but_it_stands(self):
        lesson = self.lesson()
        self.look(lesson, {**GRIP, "tip.gives": {"4": 3}})
        week = [{"exercise": "arch_on_table", "days": [1, 2, 3, 4, 5, 6, 7]},
                {"exercise": "quiet_hold", "rung": 2}]  # fmt: skip
        self.enter(lesson, "plan", "", week)
        reasons = [words_of(o.said) for o in objections(self.view(lesson))]
        for words in ("strength waits", "step 2 comes after step 1", "warm up first", "order:",
                      "minutes a day", "no day off"):  # fmt: skip
            self.assertTrue([r for r in reasons if words in r], (words, reasons))

    def test_the_rules_do_not_object_to_what_they_proposed(self):
        for weeks in range(6):
            lesson = self.whole_lesson(
                weeks, {**GRIP, "tip.gives": {"4": 3}, "arch.fails": {"4": 2}}
            )
            self.assertEqual(objections(self.view(lesson)), [])


class DemoTerm(StudioCase):
    def test_a_term_reaches_back_as_far_as_it_is_asked_and_is_the_same_every_time(self):
        told = []
        for _ in "ab":
            (mira,) = build_demo(DAY, PLAYERS[:1], weeks=7)
            self.assertEqual(mira.lessons.first().date, DAY - timedelta(weeks=7))
            told.append([o.entered for each in mira.lessons.all() for o in each.observations.all()])
            self.assertTrue(any(each.home_days.exists() for each in mira.lessons.all()))
        self.assertEqual(*told)

    def test_every_sign_of_the_past_is_one_of_the_players_instrument(self):
        evidence = load_catalogue().evidence
        instruments = {demo.name: demo.instrument for demo in PLAYERS}
        for name, past in PASTS.items():
            for key, course in past.signs.items():
                with self.subTest(player=name, sign=key):
                    known = evidence[key.partition("/")[0]]
                    self.assertIn(instruments[name], known.instruments)
                    self.assertEqual("/" in key, known.per_finger and "/" in key)
                    self.assertTrue(all(0 <= level <= 3 for level in levels(course)))


class Wishes(StudioCase):
    def fresh(self, lesson):
        self.player.refresh_from_db()
        return self.view(lesson)

    def test_a_disliked_exercise_gives_way_until_it_is_liked_again(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        first = self.fresh(lesson).proposal.offered[0]
        self.enter(lesson, "disliked", first, True)
        self.assertNotEqual(self.fresh(lesson).proposal.offered[0], first)
        undo(lesson.pk)
        self.assertEqual(self.fresh(lesson).proposal.offered[0], first)

    def test_what_is_not_at_home_is_not_given(self):
        lesson = self.lesson()
        self.look(lesson, GRIP)
        self.assertIn("rod_pivot", self.fresh(lesson).proposal.offered)
        self.player.missing = ["rod"]
        self.player.save()
        withheld = {w.exercise: words_of(w.reason) for w in self.fresh(lesson).proposal.withheld}
        self.assertEqual(withheld["rod_pivot"], "needs a light stick")

    def test_the_order_of_the_week_is_kept(self):
        lesson = self.lesson()
        self.give(lesson, "thumb_taps", "index_far_side", "easy_melody")
        self.give(lesson, "easy_melody", "thumb_taps")
        self.assertEqual(
            [i.exercise for i in lesson.plan.items.all()], ["easy_melody", "thumb_taps"]
        )


class Breaks(StudioCase):
    def away(self, weeks):
        lesson = self.lesson(weeks)
        view = self.view(lesson)
        return weeks_away(lesson, view.history)

    def test_a_long_time_without_a_lesson_is_asked_about_unless_practice_was_logged(self):
        given = self.whole_lesson(0, GRIP)
        self.assertIsNone(self.away(1))
        self.player.lessons.exclude(pk=given.pk).delete()
        self.assertEqual(self.away(5), 5)
        HomeDay.objects.create(lesson=given, date=DAY + timedelta(weeks=4), done="done")
        self.assertIsNone(self.away(5))

    def test_a_break_eases_off_for_two_weeks_asked_or_found_from_dates(self):
        self.whole_lesson(0, GRIP)
        table = (("found", None, True), ("asked: played", 0, False), ("asked: a break", 6, True))
        for name, told, eased in table:
            with self.subTest(name):
                lesson = self.lesson(6)
                self.enter(lesson, "break", "", told)
                self.assertEqual(self.view(lesson).safety.is_amber, eased)
                self.assertEqual(self.view(self.lesson(7)).safety.is_amber, eased)
                self.assertFalse(self.view(self.lesson(8)).safety.is_amber)

    def test_practice_logged_in_between_is_no_break(self):
        given = self.whole_lesson(0, GRIP)
        for weeks in (2, 4):
            HomeDay.objects.create(lesson=given, date=DAY + timedelta(weeks=weeks), done="done")
        self.assertFalse(self.view(self.lesson(6)).safety.is_amber)


class Demo(StudioCase):
    seconds_each = 10

    def test_it_stores_what_was_proposed_dose_and_days_included(self):
        checked = 0
        for player in build_demo(DAY, PLAYERS[:5]):
            for lesson in player.lessons.filter(plan__isnull=False):
                view = self.view_of(player, lesson)
                given = {
                    i.exercise: (i.rung, i.reps, i.sets, i.days) for i in lesson.plan.items.all()
                }
                for item in view.proposal.items:
                    dose = item.dose
                    proposed = (item.rung, dose.reps, dose.sets, list(item.days))
                    self.assertEqual(given[item.exercise], proposed)
                    checked += 1
        self.assertGreater(checked, 20)

    def view_of(self, player, lesson):
        return LessonView(lesson_of(player.teacher, lesson.pk))

    def test_it_is_the_same_each_time_and_lies_around_today(self):
        def snapshot():
            return [
                (o.lesson.player.name, str(o.lesson.date), o.evidence, o.entered)
                for lesson in Lesson.objects.filter(player__teacher__username="demo")
                for o in lesson.observations.select_related("lesson__player")
            ]

        build_demo(DAY, PLAYERS[:2])
        once = snapshot()
        build_demo(DAY, PLAYERS[:2])
        self.assertEqual(snapshot(), once)
        build_demo(DAY)
        players = Player.objects.filter(teacher__username="demo")
        self.assertEqual(players.count(), len(PLAYERS))
        self.assertTrue(all(p.lessons.count() >= (1 if p.group else 3) for p in players))
        self.assertFalse(Lesson.objects.filter(player__in=players, date__gte=DAY).exists())
        rows = day_rows(players[0].teacher, DAY)
        self.assertGreaterEqual(sum(r.is_today for r in rows), 6)
        self.assertEqual(sum(bool(r.flags) for r in rows), 1)
        self.assertEqual({p.instrument for p in players}, {"vn", "va", "vc", "db"})
