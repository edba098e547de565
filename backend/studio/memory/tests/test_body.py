"""What was told of the body in one lesson is known in the next: joints, an injury, pain, a focus."""

from datetime import timedelta

from lefthand import load_catalogue
from lefthand.words import words_of
from studio.entries import undo
from studio.errors import StudioError
from studio.home.link import make_link, open_link
from studio.home.log import log_day
from studio.lessons.again import asked_in
from studio.lessons.decisions import objections
from studio.lessons.flags import lift_flags
from studio.lessons.reach import reach_of
from studio.memory.body import note_on_body
from studio.models import HomeDay, RedFlag, Setup
from studio.players.arriving import read_player_file
from studio.players.file import player_file
from studio.progress.course import course_of
from studio.progress.tables import table_of
from studio.tests.studio_case import DAY, GRIP, StudioCase

CAVES = {"tip.gives": {"4": 3}, "arch.fails": {"4": 3}, "elbow.behind": 0, "hold.slips": 0}


class BodyCase(StudioCase):
    def setUp(self):
        super().setUp()
        self.client.force_login(self.teacher)

    def refused(self, code, do):
        with self.assertRaises(StudioError) as caught:
            do()
        self.assertEqual(caught.exception.code, code)
        return caught.exception


class Facts(BodyCase):
    def test_loose_joints_of_the_first_lesson_hold_in_the_second_and_third(self):
        self.whole_lesson(0, {**CAVES, "laxity.fingers": 3})
        for week in (1, 2):
            lesson = self.lesson(week)
            view = self.view(lesson)
            self.assertEqual(
                [(f.fact, f.grade, f.on) for f in view.history.body], [("laxity.fingers", 3, DAY)]
            )
            self.look(lesson, CAVES)
            view = self.view(lesson)
            self.assertGreater(view.diagnosis.probability("joint_laxity"), 0.55)
            self.assertTrue(view.situation.has_loose_joints)
            nudges = [e for e in view.proposal.offered if view.catalogue.exercises[e].nudge]
            self.assertEqual(nudges, [])
            self.give(lesson, "shaped_finger")
            told = [words_of(o.said) for o in objections(self.view(lesson))]
            self.assertTrue(
                [reason for reason in told if "nobody sets them by hand" in reason], told
            )

    def test_measured_again_or_lifted_with_a_note_it_holds_no_more(self):
        self.whole_lesson(0, {"laxity.fingers": 3})
        second = self.lesson(1)
        self.look(second, {"laxity.fingers": 0})
        self.assertEqual([f.grade for f in self.view(self.lesson(2)).history.body], [0])
        self.whole_lesson(3, {"laxity.ninepoint": {"value": 7}})
        fourth = self.lesson(4)
        self.assertTrue(self.view(fourth).situation.has_loose_joints)
        for note, word in (("", "lifted"), ("well", "lifted"), ("all is well now", "limits")):
            self.refused(
                "bad_input",
                lambda note=note, word=word: self.note("laxity.ninepoint", note, word, 4),
            )
        self.note("laxity.ninepoint", "Measured anew by a physiotherapist.", "lifted", 4)
        self.assertFalse(self.view(fourth).situation.has_loose_joints)

    def note(self, fact, note, word, week):
        return note_on_body(
            self.player, fact=fact, word=word, note=note, on=DAY + timedelta(weeks=week)
        )

    def test_an_injury_eases_off_every_week_until_it_is_lifted_and_its_limits_stand_beside_it(self):
        first = self.lesson(0)
        self.enter(first, "reports", "", {"earlier_injury": True})
        for week in (1, 2, 9):
            self.assertTrue(self.view(self.lesson(week)).safety.is_amber)
        self.note("injury", "Ten minutes a day, says the doctor.", "limits", 2)
        (fact,) = self.view(self.lesson(9)).history.body
        self.assertEqual(fact.limits, "Ten minutes a day, says the doctor.")
        self.assertNotIn("injury", str(self.view(self.lesson(1)).history.past.body_words))
        self.note("injury", "Healed, says the doctor.", "lifted", 9)
        told = [words_of(each) for each in self.view(self.lesson(9)).safety.reasons]
        self.assertFalse([reason for reason in told if "injury" in reason])
        self.assertTrue(self.view(self.lesson(2)).safety.is_amber, "it held then")

    def test_a_hold_that_slipped_is_not_forgotten(self):
        self.player.birth_year, self.player.helper_at_home = DAY.year - 7, False
        self.player.save()
        self.whole_lesson(0, {"hold.slips": 3})
        second = self.lesson(1)
        self.look(second, {"web.closed": 3, "thumb.locked": 3})
        view = self.view(second)
        for item in view.proposal.items:
            self.assertFalse(view.catalogue.exercises[item.exercise].lets_go_of_it(item.rung))

    def test_the_span_and_what_was_ruled_out_stand_beside_the_facts(self):
        Setup.objects.create(player=self.player, date=DAY, string_length=328)
        first = self.lesson(0)
        self.look(first, {**GRIP, "reach.exceeded": {"value": 10}})
        self.assertEqual(self.told_of_the_body(first), [], "only of lessons before")
        self.enter(first, "cause", "over_pressing", {"word": "dismissed"})
        span = reach_of(self.player, None, None).needed * 1.1
        second = self.lesson(1)
        name = load_catalogue().causes["over_pressing"].name
        self.assertEqual(
            self.told_of_the_body(second),
            [("span", f"Span {round(span, 1):g} mm"), ("ruled_out", f"Not it: {name}")],
        )
        self.enter(second, "cause", "over_pressing", {"word": "open"})
        self.assertEqual([kind for kind, _ in self.told_of_the_body(second)], ["span"])

    def told_of_the_body(self, lesson):
        answer = self.client.get(f"/api/lessons/{lesson.pk}").json()
        return [(fact["kind"], fact["says"]) for fact in answer["body"]]

    def test_it_goes_with_the_player_file_and_stands_in_the_table(self):
        first = self.lesson(0)
        self.enter(first, "reports", "", {"pain": 2, "place": "thumb"})
        self.look(first, {"laxity.fingers": 2})
        self.enter(first, "complaint", "", "tip.gives")
        self.enter(first, "complaint_finger", "", 4)
        self.note("injury", "Ten minutes a day, says the doctor.", "limits", 0)
        second = self.lesson(1)
        self.enter(second, "again", "thumb", "less")
        told = player_file(self.player)
        read = read_player_file(self.teacher, told, DAY + timedelta(weeks=2))
        self.assertEqual(read.left_out, ["private phone links, and what Undo could take back"])
        again = player_file(read.player)
        self.assertEqual(again["body"], told["body"])
        for mine, theirs in zip(told["lessons"], again["lessons"], strict=True):
            for name in ("again", "complaint_finger", "reports"):
                self.assertEqual(mine[name], theirs[name])
        table = table_of([self.player])
        self.assertIn('thumb,"told last time, and now"', table)
        self.assertIn("Ten minutes a day", table)


class AskedAgain(BodyCase):
    def hurt(self, weeks, **reports):
        lesson = self.lesson(weeks)
        self.enter(lesson, "reports", "", reports)
        return lesson

    def test_pain_of_last_time_is_asked_by_name_and_no_week_is_given_before(self):
        self.hurt(0, pain=2, place="thumb")
        second = self.lesson(1)
        self.look(second, GRIP)
        (asked,) = asked_in(self.view(second))
        self.assertEqual(
            (asked.key, asked.says, asked.answer), ("thumb", "Last time: thumb, 2 of 10", "")
        )
        error = self.refused("question_open", lambda: self.give(second, "index_far_side"))
        self.assertIn("the thumb", error.problem)
        self.enter(second, "reports", "", {})
        self.refused("question_open", lambda: self.give(second, "index_far_side"))
        self.enter(second, "again", "thumb", "gone")
        self.give(second, "index_far_side")
        undo(second.pk)
        undo(second.pk)
        self.refused("question_open", lambda: self.give(second, "index_far_side"))
        self.enter(second, "reports", "", {"pain": 0})
        self.give(second, "index_far_side")

    def test_an_ache_that_is_complained_of_is_asked_before_a_week(self):
        lesson = self.lesson(0)
        self.look(lesson, GRIP)
        self.enter(lesson, "complaint", "", "thumb.tired")
        self.enter(lesson, "reports", "", {})
        self.refused("question_open", lambda: self.give(lesson, "index_far_side"))
        self.enter(lesson, "reports", "", {"pain": 0})
        self.give(lesson, "index_far_side")

    def test_no_number_is_said_that_nobody_told(self):
        self.hurt(0, pain=3, place="thumb")
        for week, answer, words in (
            (1, "same", "Last time: thumb, 3 of 10"),
            (2, "less", "Last time: thumb, 3 of 10"),
            (3, "less", "Last time: thumb, less than before"),
        ):
            lesson = self.lesson(week)
            self.assertEqual([asked.says for asked in asked_in(self.view(lesson))], [words])
            self.enter(lesson, "again", "thumb", answer)
            self.player.red_flags.all().delete()
        self.hurt(20, place="wrist")
        self.assertEqual(asked_in(self.view(self.lesson(21)))[-1].says, "Last time: wrist")
        found = course_of(self.player, DAY + timedelta(weeks=21))
        numbers = [(number, where) for _, number, where in found.facts.pains]
        self.assertEqual(
            numbers, [(3, "thumb"), (3, "thumb"), (0, "thumb"), (0, "thumb"), (0, "wrist")]
        )
        self.assertGreater(found.course.lessons[3].pain, 0, "pain that goes on still eases off")

    def test_less_and_the_same_for_two_weeks_is_a_stop(self):
        self.hurt(0, pain=2, place="thumb")
        for week, answer, level in ((1, "same", "amber"), (2, "less", "red")):
            lesson = self.lesson(week)
            self.enter(lesson, "again", "thumb", answer)
            self.assertEqual(self.view(lesson).safety.level.value, level)
        self.assertEqual(RedFlag.objects.get().reasons, ["same_place"])

    def test_less_after_a_lifted_stop_eases_off_and_is_no_new_stop(self):
        first = self.hurt(0, pain=5, place="forearm")
        lift_flags(self.player, note="Seen by a doctor, begin gently.", on=first.date)
        second = self.lesson(1)
        self.enter(second, "again", "forearm", "less")
        self.assertEqual(self.view(second).safety.level.value, "amber")
        self.enter(second, "again", "forearm", "same")
        self.assertTrue(self.view(second).safety.is_red)

    def test_gone_begins_anew_and_more_of_three_is_a_stop(self):
        self.hurt(0, pain=3, place="thumb")
        second = self.lesson(1)
        self.enter(second, "again", "thumb", "gone")
        self.hurt(2, pain=3, place="thumb")
        self.assertFalse(RedFlag.objects.exists())
        self.enter(self.lesson(3), "again", "thumb", "more")
        self.assertEqual(RedFlag.objects.get().reasons, ["pain"])

    def test_what_hurts_now_is_not_loaded_and_after_the_lift_it_counts_anew(self):
        for week in (0, 1, 2):
            lesson = self.hurt(week, pain=2, place="thumb")
        self.assertTrue(self.view(lesson).safety.is_red)
        lift_flags(self.player, note="Seen by a doctor, begin gently.", on=lesson.date)
        third = self.hurt(3, pain=1, place="thumb")
        view = self.view(third)
        self.assertTrue(view.safety.is_amber)
        for item in view.proposal.items:
            loads = view.catalogue.exercises[item.exercise].loads
            self.assertNotIn("thumb", {place.value for place in loads})

    def test_complaint_and_tiredness_go_on_where_they_are_not_gone(self):
        first = self.hurt(0, tired_next_day=True)
        self.enter(first, "complaint", "", "tip.gives")
        second = self.lesson(1)
        keys = [asked.key for asked in asked_in(self.view(second))]
        self.assertEqual(keys, ["tired", "complaint"])
        self.enter(second, "again", "complaint", "same")
        self.enter(second, "again", "tired", "less")
        view = self.view(second)
        self.assertEqual(view.case.complaint, "tip.gives")
        self.assertIn("tip.gives", view.diagnosis.next_look.checks)
        self.assertTrue(view.safety.is_amber)
        self.enter(second, "again", "complaint", "gone")
        self.assertIsNone(self.view(second).case.complaint)
        for key, value in (("knee", "gone"), ("thumb", "awful"), ("complaint", 1)):
            self.refused(
                "bad_input", lambda key=key, value=value: self.enter(second, "again", key, value)
            )


class AtHome(BodyCase):
    def setUp(self):
        super().setUp()
        self.given = self.whole_lesson(0, GRIP)
        self.token = make_link(self.player).token

    def log(self, day, **more):
        on = DAY + timedelta(days=day)
        return log_day(self.token, {"date": on, "done": "done", "felt": "soft", **more}, on)

    def test_a_place_that_hurts_rests_what_loads_it_and_for_seven_days(self):
        held = {i.exercise for i in open_link(self.token, DAY).items}
        self.assertIn("thumb_taps", held)
        week = self.log(1, pain=2, place="thumb")
        loaded = [i for i in week.items if "thumb" in {p.value for p in self.loads(i)}]
        self.assertEqual(loaded, [])
        self.assertTrue(week.is_eased)
        later = open_link(self.token, DAY + timedelta(days=9))
        self.assertIn("thumb_taps", {i.exercise for i in later.items})

    def loads(self, item):
        return self.view(self.given).catalogue.exercises[item.exercise].loads

    def test_the_next_day_at_the_same_place_is_a_stop_and_elsewhere_is_not(self):
        self.log(1, pain=1, place="thumb")
        self.assertIsNone(self.log(2, pain=1, place="neck").reasons)
        self.assertIsNone(self.log(3, pain=0).reasons)
        self.log(4, pain=2, place="wrist")
        self.assertEqual(self.log(5, pain=1, place="wrist").reasons, ["next_day"])

    def test_sore_skin_shortens_and_eases_nothing_off(self):
        before = {i.exercise: i for i in open_link(self.token, DAY).items}
        week = self.log(1, pain=2, place="skin")
        self.assertFalse(week.is_eased)
        self.assertEqual({i.exercise for i in week.items}, set(before))
        for item in week.items:
            self.assertLessEqual(
                week.dose(item).work_seconds(), week.shortened(item).work_seconds()
            )
        self.assertIsNone(self.log(2, pain=2, place="skin").reasons)

    def test_where_it_hurt_is_told_a_moment_later_and_a_place_that_is_none_is_refused(self):
        self.log(1, pain=2)
        self.log(1, pain=2, place="wrist")
        self.assertEqual(HomeDay.objects.get().place, "wrist")
        self.assertEqual(
            self.refused("bad_input", lambda: self.log(1, pain=2, place="knee")).field, "place"
        )
        second = self.lesson(1)
        self.assertEqual([a.says for a in asked_in(self.view(second))], ["At home: wrist, 2 of 10"])

    def test_what_hurt_at_home_stays_out_for_two_weeks_and_says_so(self):
        self.log(1, pain=2, place="thumb")
        second = self.lesson(1)
        self.all_gone(second)
        self.look(second, GRIP)
        reasons = {w.exercise: words_of(w.reason) for w in self.view(second).proposal.withheld}
        self.assertIn("two weeks without pain first", reasons["thumb_taps"])
        fourth = self.lesson(3)
        self.look(fourth, GRIP)
        view = self.view(fourth)
        self.assertNotIn("thumb_taps", {w.exercise for w in view.proposal.withheld})
        self.assertIn("thumb_taps", view.case.returning)

    def test_a_week_that_was_given_eased_says_so(self):
        second = self.lesson(1)
        self.enter(second, "reports", "", {"tired_next_day": True})
        self.look(second, GRIP)
        self.give(second, *(i.exercise for i in self.view(second).proposal.items))
        week = open_link(self.token, second.date)
        self.assertTrue(week.was_given_eased)
        self.assertFalse(week.is_eased)


class Remembered(StudioCase):
    def test_the_second_lesson_begins_from_the_first_and_says_so(self):
        self.whole_lesson(0, GRIP)
        second = self.lesson(1)
        view = self.view(second)
        self.assertGreater(view.case.memory["thumb_index_grip"], 0.55)
        self.assertEqual([f.cause for f in view.diagnosis.focus], ["thumb_index_grip"])
        self.look(second, dict.fromkeys(GRIP, 0))
        self.assertEqual(self.view(second).diagnosis.focus, ())

    def test_each_look_says_why_it_comes_now(self):
        lesson = self.lesson(0)
        self.enter(lesson, "complaint", "", "tip.gives")
        self.assertEqual(
            words_of(self.view(lesson).diagnosis.why_next), "you said: “My finger caves in”"
        )
        self.look(lesson, {"tip.gives": {"4": 3}})
        self.assertTrue(self.view(lesson).diagnosis.why_next)
