"""A player's records can be taken along whole, and erased whole."""

import json
from datetime import timedelta
from unittest import mock

from django.apps import apps
from django.contrib.auth import get_user_model
from django.utils import timezone

from lefthand.tests.scores import melody_bytes
from studio.errors import StudioError
from studio.home.link import make_link
from studio.lessons.access import players_of
from studio.models import Lesson, Player, RedFlag
from studio.pieces.own_places import choose_place
from studio.pieces.pieces import keep_piece
from studio.players.arriving import NOT_IN_A_FILE, read_player_file
from studio.players.erasing import erase_player
from studio.players.file import PLAYER_FORMAT, player_file
from studio.tests.studio_case import DAY, GRIP, StudioCase


class PlayerFile(StudioCase):
    def setUp(self):
        super().setUp()
        self.given = self.whole_lesson(0, GRIP)
        self.enter(self.given, "line", "", "Soft hands.")
        later = self.whole_lesson(1, {"web.closed": 1})
        item = self.given.plan.items.first()
        self.enter(later, "result", str(item.pk), {"passed": True})
        self.given.home_days.create(date=DAY, done="done", felt="soft")
        make_link(later.player)

    def test_it_holds_everything_that_was_entered(self):
        data = json.loads(json.dumps(player_file(self.player)))
        self.assertEqual((data["format"], data["name"]), (PLAYER_FORMAT, "Pia Example"))
        first, second = data["lessons"]
        self.assertEqual(first["observations"], GRIP)
        self.assertEqual(first["teacher_line"], "Soft hands.")
        self.assertEqual(first["home_days"][0]["felt"], "soft")
        self.assertTrue(first["plan"][0]["results"][0]["in_lesson"])
        self.assertTrue(second["focus"])

    def test_what_the_focus_follows_and_the_week_was_made_for_comes_back(self):
        plan, focus = self.given.plan, self.given.focuses.first()
        self.assertTrue(plan.focus and focus.follows)
        found = read_player_file(self.teacher, player_file(self.player), DAY + timedelta(weeks=1))
        lesson = found.player.lessons.first()
        self.assertEqual(lesson.plan.focus, plan.focus)
        self.assertTrue(lesson.focuses.first().follows)

    def test_practice_that_was_told_comes_back(self):
        lesson = self.player.lessons.last()
        day = str(DAY + timedelta(days=2))
        self.enter(lesson, "practised", "", [day])
        parts = [self.given.plan.items.first().exercise]
        self.given.home_days.update(done="partly", parts=parts)
        found = read_player_file(self.teacher, player_file(self.player), DAY + timedelta(weeks=1))
        first, second = found.player.lessons.all()
        self.assertEqual(second.practised, [day])
        self.assertEqual(first.home_days.first().parts, parts)
        self.assertEqual(found.left_out, [NOT_IN_A_FILE])

    def test_reasons_of_a_stop_that_an_earlier_release_wrote_as_words_are_known(self):
        lesson = self.player.lessons.first()
        flag = {"lesson": str(lesson.date), "raised_on": str(lesson.date)}
        data = player_file(self.player)
        for written, reasons in (
            (["swelling", "pain of 4 or more out of 10"], ["swelling", "pain"]),
            (["numbness", "next_day"], ["numbness", "next_day"]),
            (["an older word"], ["an older word"]),
        ):
            told = {**data, "red_flags": [{**flag, "reasons": written}]}
            found = read_player_file(self.teacher, told, DAY + timedelta(weeks=1))
            self.assertEqual(found.player.red_flags.get().reasons, reasons)
        again = player_file(found.player)["red_flags"]
        self.assertEqual([each["reasons"] for each in again], [["an older word"]])

    def test_no_private_address_is_in_it(self):
        token = self.player.home_link.token
        self.assertNotIn(token, json.dumps(player_file(self.player)))

    def test_erasing_leaves_no_record_of_the_player_and_nobody_elses_go(self):
        other = Player.objects.create(teacher=self.teacher, name="Other", instrument="vc")
        erase_player(self.player)
        self.assertEqual(list(Player.objects.all()), [other])
        kept = {"Player", "TeacherSettings", "Group"}
        for model in apps.get_app_config("studio").get_models():
            if model.__name__ not in kept:
                with self.subTest(model.__name__):
                    self.assertFalse(model.objects.exists())


class BringingIn(StudioCase):
    def setUp(self):
        super().setUp()
        given = self.whole_lesson(0, GRIP)
        self.enter(given, "line", "", "Soft hands.")
        later = self.whole_lesson(1, {"web.closed": 1, "tip.gives": {"4": 2}})
        self.enter(later, "result", str(given.plan.items.first().pk), {"passed": True})
        self.enter(later, "cause", "over_pressing", {"word": "dismissed", "why": "no"})
        given.home_days.create(date=DAY, done="done", felt="soft", pain=2, later=["rest"])
        self.enter(later, "reports", "", {"pain": 5})
        RedFlag.objects.update(lifted_on=later.date, note="Seen by a doctor.")
        self.other = get_user_model().objects.create_user("other")

    def file(self):
        return json.loads(json.dumps(player_file(self.player)))

    def bring(self, data):
        return read_player_file(self.other, data, DAY.replace(year=DAY.year + 1))

    def test_another_teacher_gets_the_same_player(self):
        found = self.bring(self.file())
        self.assertEqual(found.left_out, [NOT_IN_A_FILE])
        self.assertEqual(found.player.teacher, self.other)
        self.assertEqual(player_file(found.player), player_file(self.player))

    def test_what_cannot_be_used_is_left_out_and_told(self):
        table = (
            (lambda d: d["lessons"][0]["observations"].update({"no.such": 1}), "no.such"),
            (lambda d: d["lessons"][0]["observations"].update({"web.closed": 9}), "web.closed"),
            (lambda d: d["lessons"][0]["reports"].update({"pain": "much"}), "reports.pain"),
            (lambda d: d["lessons"][0]["plan"][0].update({"exercise": "gone"}), "'gone'"),
            (lambda d: d["lessons"][0]["plan"][0].update({"rung": 99}), "rung"),
            (lambda d: d["lessons"][0]["home_days"][0].update({"date": "soon"}), "'soon'"),
            (lambda d: d["lessons"][1]["words"][0].update({"cause": 3}), "cause"),
            (lambda d: d["lessons"][0].update({"plan": "weekly"}), "plan of"),
            (lambda d: d["lessons"].append(3), "lessons 3"),
            (lambda d: d["lessons"].append(d["lessons"][0]), "already"),
            (lambda d: d["lessons"][0].update({"date": "2999-01-01"}), "future"),
            (lambda d: d["lessons"][0].update({"observations": []}), "observations"),
            (lambda d: d.update({"red_flags": "none"}), "red_flags"),
            (lambda d: d["red_flags"][0].pop("reasons"), "stop 1"),
            (lambda d: d.update({"group": "Tuesday"}), "Tuesday"),
            (
                lambda d: d["lessons"][0]["plan"][0]["results"].append(
                    d["lessons"][0]["plan"][0]["results"][0]
                ),
                "stands twice",
            ),
            (
                lambda d: d["lessons"][0]["focus"].append(d["lessons"][0]["focus"][0]),
                "stands twice",
            ),
        )
        for harm, words in table:
            with self.subTest(words):
                data = self.file()
                harm(data)
                found = self.bring(data)
                self.assertTrue([told for told in found.left_out if words in told], found.left_out)
                self.assertGreaterEqual(found.player.lessons.count(), 1)

    def test_no_player_file_is_refused_whole(self):
        table = (
            ([], "format"),
            ({"format": "jolf-case/1"}, "format"),
            ({**self.file(), "name": ""}, "name"),
            ({**self.file(), "instrument": "gt"}, "instrument"),
            ({**self.file(), "lesson_time": "noonish"}, "lesson_time"),
        )
        for data, name in table:
            with self.subTest(name), self.assertRaises(StudioError) as caught:
                self.bring(data)
            self.assertEqual(caught.exception.field, name)
        self.assertFalse(self.other.players.exists())

    def test_a_file_of_the_first_version_is_read(self):
        data = {**self.file(), "format": "jolf-player/1"}
        for lesson in data["lessons"]:
            del lesson["is_glance"], lesson["look_order"]
        self.assertEqual(self.bring(data).left_out, [NOT_IN_A_FILE])


class WhileItArrives(StudioCase):
    def setUp(self):
        super().setUp()
        self.whole_lesson(0, GRIP)
        self.whole_lesson(1, GRIP)
        self.on = DAY + timedelta(weeks=1)
        self.data = json.loads(json.dumps(player_file(self.player)))

    def test_nobody_sees_a_player_before_all_of_it_is_there(self):
        seen = []

        def look():
            seen.append(players_of(self.teacher).count())
            return False

        found = read_player_file(self.teacher, self.data, self.on, look)
        self.assertEqual(set(seen), {1})
        self.assertIn(found.player, players_of(self.teacher))

    def test_it_is_given_up_when_nobody_waits_and_leaves_nothing(self):
        asked = iter([False] * 30)
        with self.assertRaises(StudioError) as caught:
            read_player_file(self.teacher, self.data, self.on, lambda: next(asked, True))
        self.assertEqual(caught.exception.code, "given_up")
        self.assertEqual(Player.objects.count(), 1)
        self.assertEqual(Lesson.objects.count(), 2)

    def test_one_that_would_take_too_long_is_refused_whole(self):
        with (
            mock.patch("studio.players.arriving.MOST_SECONDS", -1),
            self.assertRaises(StudioError) as caught,
        ):
            read_player_file(self.teacher, self.data, self.on)
        self.assertEqual(caught.exception.field, "file")
        self.assertIn("seconds", caught.exception.problem)
        self.assertEqual(Player.objects.count(), 1)

    def test_what_a_dead_process_left_is_swept_and_what_arrives_now_is_not(self):
        for minutes in (1, 60):
            since = timezone.now() - timedelta(minutes=minutes)
            Player.objects.create(
                teacher=self.teacher, name="Half", instrument="vn", arriving_since=since
            )
        read_player_file(self.teacher, self.data, self.on)
        self.assertEqual(Player.objects.filter(arriving_since__isnull=False).count(), 1)

    def test_a_piece_that_cannot_be_used_as_it_stands_is_not_left_half(self):
        piece = keep_piece(self.player, melody_bytes("A4 B4"), "", DAY)
        choose_place(piece, [1, 1])
        data = json.loads(json.dumps(player_file(self.player, scores=True)))
        for changed in ({"week": [1, 900]}, {"first": 900}, {"tempo": -3}):
            with self.subTest(changed):
                rows = [{**data["pieces"][0], **changed}]
                found = read_player_file(self.teacher, {**data, "pieces": rows}, self.on)
                self.assertFalse(found.player.pieces.exists())
                self.assertTrue(any("piece 1" in left for left in found.left_out))
