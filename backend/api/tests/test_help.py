"""Help says what the program does: its figures are the program's own, and every screen has a page."""

import re
from pathlib import Path
from unittest import TestCase

from api.catalogue.help import EDGES, figures, help_pages
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.values.measures import MEASURES
from studio.desk.desk import FIXED_MEASURES

KEY_HELP = Path(__file__).resolve().parents[3] / "frontend/src/components/KeyHelp.tsx"


class Help(TestCase):
    def test_every_figure_is_the_programs_own_and_every_one_stands_somewhere(self):
        asked = {name for page in load_catalogue().help.values() for name in page.names}
        self.assertEqual(asked, {*figures(), EDGES})
        for page in load_catalogue().help.values():
            for paragraph in page.text:
                typed = re.sub(r"\{\w+\}", "", paragraph)
                with self.subTest(page.id):
                    self.assertNotRegex(typed, r"\d", "a figure that is typed may become wrong")

    def test_pages_are_filled_in(self):
        pages = {page.id: " ".join(page.text) for page in help_pages()}
        self.assertFalse([name for name, text in pages.items() if "{" in text])
        self.assertIn("Above 80 % it is called very likely, above 55 % likely", pages["causes"])
        for name, spec in MEASURES.items():
            self.assertEqual(spec.words in pages["grades"], name not in FIXED_MEASURES, name)
        self.assertIn("held without the left hand: slight below 4, clear below 2", pages["grades"])

    def test_every_screen_with_keys_has_a_page_and_none_is_for_an_unknown_one(self):
        source = KEY_HELP.read_text(encoding="utf-8")
        screens = {name for name in re.findall(r"(?m)^    '(\w+)',$", source)}
        self.assertLessEqual({"Today", "Ask", "Look", "Decide", "Give", "Sheet", "Class"}, screens)
        told = {name for page in load_catalogue().help.values() for name in page.screens}
        self.assertEqual(screens - {"Everywhere", "Library"} - told, set())
        self.assertEqual(told - screens, {"Desk"})
