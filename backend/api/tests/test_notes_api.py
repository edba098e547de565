"""Notes to oneself: kept, settled, in the player's file, and nowhere that a family looks."""

import json
from datetime import date, timedelta

from studio.home.link import make_link
from studio.lessons.own_notes import MOST_NOTES
from studio.models import OwnNote
from studio.players.arriving import read_player_file
from studio.players.file import player_file
from studio.tests.studio_case import StudioCase

WORDS = "ask about the chair at school"


class Notes(StudioCase):
    def setUp(self):
        super().setUp()
        self.client.force_login(self.teacher)
        self.address = f"/api/players/{self.player.pk}/notes"

    def write(self, **more):
        body = {"kind": "next", "text": WORDS, **more}
        return self.client.post(self.address, json.dumps(body), content_type="application/json")

    def test_a_line_is_open_until_it_is_done_with_and_may_open_again(self):
        (note,) = self.write().json()
        self.assertEqual((note["text"], note["done_on"]), (WORDS, None))
        for done in (True, False):
            left = self.client.post(
                f"{self.address}/{note['id']}",
                json.dumps({"done": done}),
                content_type="application/json",
            ).json()
            self.assertEqual(left[0]["done_on"] is not None, done)
        for _twice in range(2):
            self.assertEqual(self.client.delete(f"{self.address}/{note['id']}").json(), [])

    def test_what_is_open_for_next_time_comes_first(self):
        self.write(kind="talk", text="the mother asks about summer")
        self.write()
        self.write(kind="talk", text="he sleeps badly")
        kinds = [note["kind"] for note in self.client.get(self.address).json()]
        self.assertEqual(kinds, ["next", "talk", "talk"])

    def test_bad_input_names_the_field_and_keeps_nothing(self):
        tomorrow = str(date.today() + timedelta(days=2))
        for more, field in (
            ({"text": "  "}, "text"),
            ({"text": "x" * 601}, "text"),
            ({"kind": "gossip"}, "kind"),
            ({"on": tomorrow}, "on"),
        ):
            answer = self.write(**more)
            with self.subTest(field):
                self.assertIn(answer.status_code, (400, 422))
                self.assertIn(field, json.dumps(answer.json()["fields"]))
        self.assertFalse(OwnNote.objects.exists())

    def test_there_is_an_end_to_notes(self):
        OwnNote.objects.bulk_create(
            OwnNote(player=self.player, kind="talk", on=date(2026, 1, 1), text="x")
            for _ in range(MOST_NOTES)
        )
        self.assertEqual(self.write().status_code, 409)

    def test_no_family_sees_them(self):
        self.whole_lesson(0, {"web.closed": 3, "thumb.locked": 3})
        self.write()
        lesson = self.player.lessons.last()
        phone = self.client.get(f"/api/home/{make_link(self.player).token}").content.decode()
        sheet = self.client.get(f"/api/lessons/{lesson.pk}/sheet").content.decode()
        letter = self.client.get(f"/api/letters/parent?players={self.player.pk}").content.decode()
        for seen in (phone, sheet, letter):
            self.assertNotIn(WORDS, seen)

    def test_they_go_with_the_player_into_a_file_and_out_of_it(self):
        self.write()
        self.write(kind="talk", text="the mother asks about summer")
        told = player_file(self.player)
        self.assertEqual(len(told["notes"]), 2)
        arrived = read_player_file(self.teacher, json.loads(json.dumps(told)), date.today()).player
        self.assertEqual(
            [(n.kind, n.text) for n in arrived.own_notes.all()],
            [(n.kind, n.text) for n in self.player.own_notes.all()],
        )
