"""A player's music over time: what waits, what is next, and what was brought in by an older reading."""

from datetime import timedelta

from lefthand.passage.harder import READING
from lefthand.tests.scores import melody_bytes
from studio.lessons.flags import lift_flags
from studio.models import Piece, RedFlag
from studio.pieces import repertoire
from studio.pieces.heard import simulate_piece
from studio.pieces.own_places import harder_than_before, read_again
from studio.pieces.pieces import change_piece, keep_piece
from studio.players.arriving import read_player_file
from studio.players.file import player_file
from studio.tests.pieces_case import PiecesCase
from studio.tests.studio_case import DAY

QUICK = "A4:.25 B4:.25 C#5:.25 D5:.25 " * 16


class RepertoireTest(PiecesCase):
    def setUp(self):
        super().setUp()
        read_again(self.piece)

    def told(self):
        return self.client.get(f"/api/players/{self.player.pk}/repertoire").json()

    def bring(self, title, music=QUICK, *, later=False):
        piece = keep_piece(self.player, melody_bytes(music, tempo=120), title, DAY)
        read_again(piece)
        change_piece(piece, {"later": later})
        return piece

    def test_a_piece_that_waits_is_a_candidate_and_counts_for_nothing_yet(self):
        waiting = self.bring("A quick march", later=True)
        told = self.told()
        self.assertEqual(
            [(p["title"], p["later"]) for p in told["pieces"]],
            [("tune", False), ("A quick march", True)],
        )
        self.assertIn("speed", told["pieces"][1]["more"])
        self.assertEqual(told["pieces"][0]["more"], [])
        ids = {n["id"] for n in (*told["next"], *told["to_rest_on"]) if n["kind"] == "piece"}
        self.assertLessEqual(ids, {str(waiting.pk)})
        begun = self.client.post(self.address(waiting), {"later": False}, "application/json").json()
        self.assertFalse(begun["paused"])
        after = self.told()
        self.assertNotIn("piece", [n["kind"] for n in (*after["next"], *after["to_rest_on"])])
        self.assertFalse(after["pieces"][1]["later"])

    def test_what_is_given_or_heard_is_begun(self):
        given, heard = (
            self.bring(name, "A4 B4 C#5 D5 " * 2, later=True) for name in ("one", "two")
        )
        self.client.post(self.address(given), {"week": [1, 2]}, "application/json")
        simulate_piece(heard, None, DAY)
        self.assertEqual(set(self.player.pieces.values_list("later", flat=True)), {False})

    def test_nobody_is_harder_than_what_waits(self):
        self.bring("First of all", "A4 B4 A4 B4", later=True)
        newest = self.bring("Quick", QUICK)
        self.assertEqual(harder_than_before(newest)[0], "tune")

    def test_before_any_piece_the_lightest_tunes_are_told(self):
        Piece.objects.all().delete()
        told = self.told()
        self.assertTrue(told["begins"])
        self.assertEqual({n["kind"] for n in told["next"]}, {"tune"})
        self.assertEqual((told["pieces"], told["to_rest_on"], told["themes"]), ([], [], {}))

    def test_while_a_stop_is_up_nothing_is_proposed(self):
        lesson = self.lesson(0)
        RedFlag.objects.create(
            player=self.player, lesson=lesson, raised_on=DAY, reasons=["pain of 4 or more"]
        )
        told = self.told()
        self.assertEqual((told["paused"], told["next"], told["to_rest_on"]), (True, [], []))

    def test_a_hand_that_is_spared_is_told_so_with_the_reason(self):
        lesson = self.lesson(0)
        self.assertEqual(self.told()["eased"], [])
        self.enter(lesson, "reports", "", {"tired_next_day": True})
        self.assertEqual(len(self.told()["eased"]), 1)
        self.assertIn("tired", self.told()["eased"][0])

    def test_for_two_weeks_after_a_lifted_stop_it_is_spared(self):
        first = self.lesson(0)
        self.enter(first, "reports", "", {"numbness": True})
        self.assertTrue(self.told()["paused"])
        lift_flags(self.player, note="seen by the doctor, all well", on=DAY + timedelta(days=6))
        for weeks, spared in ((1, True), (4, False)):
            self.lesson(weeks)
            told = self.told()
            self.assertEqual((told["paused"], bool(told["eased"])), (False, spared), weeks)

    def test_a_tune_that_is_among_the_pieces_is_not_proposed_again(self):
        shown = {n["title"] for n in (*self.told()["next"], *self.told()["to_rest_on"])}
        tune = next(iter(shown))
        self.bring(tune.upper(), "A4 B4 C#5 D5")
        told = self.told()
        self.assertNotIn(tune, {n["title"] for n in (*told["next"], *told["to_rest_on"])})

    def test_what_an_older_reading_wrote_down_is_read_again_a_few_at_a_time(self):
        for number in range(repertoire.READ_AT_ONCE + 1):
            keep_piece(self.player, melody_bytes("A4 B4 C#5 D5"), f"old {number}", DAY)
        Piece.objects.update(reading=0, asks={"shift": 99.0})
        self.assertEqual(self.told()["unread"], 2)
        self.assertEqual(self.told()["unread"], 0)
        self.assertNotIn({"shift": 99.0}, Piece.objects.values_list("asks", flat=True))
        self.assertEqual(set(Piece.objects.values_list("reading", flat=True)), {READING})

    def test_one_that_cannot_be_read_any_more_holds_up_no_other(self):
        for number in range(repertoire.READ_AT_ONCE + 1):
            keep_piece(self.player, melody_bytes("A4 B4 C#5 D5"), f"broken {number}", DAY)
        Piece.objects.exclude(pk=self.piece.pk).update(score=b"<score-partwise/>", reading=0)
        last = keep_piece(self.player, melody_bytes("A4 B4 C#5 D5"), "whole", DAY)
        told = self.told()
        self.assertEqual(told["unread"], 0)
        self.assertEqual([p["id"] for p in told["pieces"]], [self.piece.pk, last.pk])

    def test_a_piece_that_asks_nothing_is_listed_and_not_read_for_ever(self):
        open_strings = self.bring("Open strings", "A4 A4 A4 A4")
        Piece.objects.filter(pk=open_strings.pk).update(asks={})
        told = self.told()
        self.assertIn("Open strings", [p["title"] for p in told["pieces"]])
        self.assertEqual(told["unread"], 0)

    def test_a_piece_that_is_opened_has_todays_reading_written_down(self):
        Piece.objects.update(reading=0, asks={"shift": 99.0})
        self.client.get(self.address(self.piece))
        self.piece.refresh_from_db()
        self.assertNotIn("shift", self.piece.asks)
        self.assertEqual(self.piece.reading, READING)

    def test_what_waits_goes_with_the_players_file(self):
        self.bring("A quick march", later=True)
        arrived = read_player_file(self.teacher, player_file(self.player, scores=True), DAY)
        kept = {p.title: p.later for p in arrived.player.pieces.all()}
        self.assertEqual(kept, {"tune": False, "A quick march": True})

    def test_only_true_or_false(self):
        answer = self.client.post(self.address(self.piece), {"later": "soon"}, "application/json")
        self.assertEqual(answer.status_code, 422)
        self.assertIn("later", answer.content.decode())
