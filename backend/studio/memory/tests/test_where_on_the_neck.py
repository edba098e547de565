"""Where on the neck an exercise is played: chosen in a lesson, kept, told on paper and phone."""

from lefthand.composing.on_neck import Spot
from studio.errors import StudioError
from studio.home.link import make_link, open_link
from studio.models import PlanItem
from studio.players.arriving import read_player_file
from studio.players.file import player_file
from studio.sheet.sheet import build_sheet
from studio.tests.studio_case import DAY, StudioCase

D_THIRD = {"string": 3, "position": 3}


class WhereOnTheNeck(StudioCase):
    exercise = "stay_over_notes"

    def given(self, spot, weeks=0, **more):
        lesson = self.lesson(weeks)
        self.enter(lesson, "plan", "", [{"exercise": self.exercise, "spot": spot, **more}])
        return lesson

    def item(self, lesson):
        return PlanItem.objects.get(plan__lesson=lesson)

    def test_the_music_lies_where_it_was_put_and_paper_says_so(self):
        usual = build_sheet(self.given(None)).items[0]
        self.assertEqual(usual.spot_words, "")
        moved = build_sheet(self.given(D_THIRD, weeks=1)).items[0]
        self.assertEqual(moved.spot_words, "on the D string, third position")
        strings = {t.string for bar in moved.drill.bars for e in bar for t in e.tones}
        self.assertEqual(strings, {1})
        lowest = min(t.pitch.midi for bar in moved.drill.bars for e in bar for t in e.tones)
        self.assertGreaterEqual(lowest, 62 + 5, "third position begins a fourth above the open D")

    def test_it_goes_on_from_week_to_week_until_another_is_chosen(self):
        self.given(D_THIRD)
        later = self.lesson(1)
        self.enter(later, "plan", "", [{"exercise": self.exercise}])
        self.assertEqual(self.item(later).spot, D_THIRD)
        last = self.given(None, weeks=2)
        self.assertIsNone(self.item(last).spot)
        self.assertEqual(self.view(last).past.spots[self.exercise], [Spot(1, 3), Spot(1, 3)])
        after = self.lesson(3)
        self.enter(after, "plan", "", [{"exercise": self.exercise}])
        self.assertIsNone(self.item(after).spot, "a place that was taken back does not come again")

    def test_a_step_that_lies_where_it_lies_is_not_moved(self):
        lesson = self.lesson(0)
        row = {"exercise": "pressure_finder", "rung": 3, "spot": D_THIRD}
        self.enter(lesson, "plan", "", [row])
        self.assertEqual(build_sheet(lesson).items[0].spot_words, "")

    def test_what_is_no_place_is_refused_by_name(self):
        for spot, field in (
            ({"string": 5, "position": 1}, "plan.1.spot.string"),
            ({"string": 1, "position": 9}, "plan.1.spot.position"),
            ({"position": 1}, "plan.1.spot.string"),
            ("high", "plan.1.spot"),
        ):
            with self.subTest(spot=spot):
                with self.assertRaises(StudioError) as raised:
                    self.given(spot)
                self.assertEqual(raised.exception.field, field)

    def test_a_player_file_carries_it(self):
        lesson = self.given(D_THIRD)
        data = player_file(lesson.player)
        found = read_player_file(self.teacher, data, DAY)
        self.assertEqual(PlanItem.objects.get(plan__lesson__player=found.player).spot, D_THIRD)

    def test_the_phone_says_it(self):
        lesson = self.given(D_THIRD)
        week = open_link(make_link(lesson.player).token, lesson.date)
        self.assertEqual(week.given[0].spot, D_THIRD)
