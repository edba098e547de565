"""The paper ruler: what it says in mm it also measures on paper, and a tape lies where the formula
of the equal-tempered string puts it."""

import re
from io import BytesIO

from pypdf import PdfReader

from lefthand import load_catalogue, parse_fit
from studio.models import Setup
from studio.paper.setting import Paper
from studio.sheet.ruler import ROOM, ruler_data, ruler_pdf
from studio.tests.studio_case import DAY, StudioCase

POINTS_A_MM = 72 / 25.4


def reach(**more):
    fit = {"format": "jolf-fit/1", "instrument": "vn", "string_length": 328, **more}
    return parse_fit(fit, load_catalogue())


def lengths_drawn(pdf):
    """Lengths in mm of all straight lines of the first page that are drawn in one stroke."""
    content = PdfReader(BytesIO(pdf)).pages[0].get_contents().get_data().decode("latin-1")
    line = re.compile(r"([-\d.]+) ([-\d.]+) m\s+([-\d.]+) ([-\d.]+) l\s+S")
    for x0, y0, x1, y1 in (map(float, each) for each in line.findall(content)):
        yield ((x1 - x0) ** 2 + (y1 - y0) ** 2) ** 0.5 / POINTS_A_MM


class Ruler(StudioCase):
    def test_it_measures_on_paper_what_it_says(self):
        for paper in Paper:
            drawn = list(lengths_drawn(ruler_pdf(reach(span=66), paper)))
            for wanted in (100, 66, ruler_data(reach())["spans"][0]["mm"]):
                self.assertTrue(any(abs(each - wanted) < 0.05 for each in drawn), wanted)

    def test_tapes_lie_where_the_string_is_divided(self):
        """L (1 - 2^(-n/12)): whole steps on a 328 mm string, from a table of equal temperament."""
        tapes = {tape["finger"]: tape["at"] for tape in ruler_data(reach())["tapes"]}
        for finger, semitones in (("1", 2), ("2", 4), ("3", 5), ("4", 7)):
            self.assertAlmostEqual(tapes[finger], 328 * (1 - 2 ** (-semitones / 12)), places=6)

    def test_every_size_of_every_instrument_fits_the_page(self):
        for instrument, sizes in load_catalogue().sizes.items():
            for length in sizes.values():
                data = ruler_data(reach(instrument=instrument.value, string_length=length))
                last = max(tape["at"] for tape in data["tapes"])
                self.assertLess(last - data["from"], ROOM)
                pages = PdfReader(BytesIO(ruler_pdf(reach(string_length=length)))).pages
                self.assertEqual(len(pages), 1)

    def test_a_frame_that_is_too_wide_is_told_without_asking_to_stretch(self):
        note = ruler_data(reach(span=66))["note"]
        self.assertIn("7.3 mm more", note)
        self.assertIn("Do not stretch", note)
        self.assertNotIn("more than", ruler_data(reach(span=90))["note"])

    def test_it_is_served_to_the_players_teacher_and_names_what_is_missing(self):
        self.client.force_login(self.teacher)
        address = f"/api/players/{self.player.pk}/ruler.pdf"
        missing = self.client.get(address)
        self.assertEqual(missing.json()["fields"][0]["field"], "string_length")
        Setup.objects.create(player=self.player, date=DAY, size="4/4")
        answer = self.client.get(address, {"span": 66, "paper": "us-letter"})
        self.assertEqual(answer["Content-Type"], "application/pdf")
        self.assertTrue(answer.content.startswith(b"%PDF"))
        self.assertEqual(self.client.get(address, {"span": 1}).json()["fields"][0]["field"], "span")
