"""Every word of the pages comes from a message file: built in a language nobody speaks, in which every
word is marked, no page shows a word that is not, but for what the server said."""

import json
import os
import re
import shutil
import subprocess
import tempfile
from pathlib import Path

from django.conf import settings
from django.contrib.auth import get_user_model
from django.test import Client, override_settings
from playwright.sync_api import Error as PlaywrightError
from playwright.sync_api import Response

from browser.case import BrowserCase
from studio.demo.data import DEMO_USERNAME, PLAYERS
from studio.groups.groups import choose_checks, save_group
from studio.home.link import make_link
from studio.models import Lesson, Player

FRONTEND = Path(__file__).resolve().parents[3] / "frontend"
# Words in Latin letters of which the made-up language would have marked one, and none is.
PLAIN = re.compile(r"(?<![\w’'])[A-Za-z]*[aeiouyAEIOUY][A-Za-z]*(?![\w’'])")
# Marks of keys, of notes, of days and months by the browser, and the name of the program.
NOT_WORDS = re.compile(
    r"^(Jolf|[a-zA-Z]|Esc|Enter|Shift|PDF|PNG|SVG|CSV|Mon|Tue|Wed|Thu|Fri|Sat|Sun|"
    r"(Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day|Jan(uary)?|Feb(ruary)?|Mar(ch)?|Apr(il)?|May|June?|"
    r"July?|Aug(ust)?|Sept?(ember)?|Oct(ober)?|Nov(ember)?|Dec(ember)?|and|or|at|st|nd|rd|th)$"
)
SAID = """() => {
  const told = [];
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  while (walker.nextNode()) {
    const { parentElement } = walker.currentNode;
    if (!parentElement.closest('script, style, kbd, code, svg text')) told.push(walker.currentNode.data);
  }
  for (const node of document.body.querySelectorAll('*')) {
    for (const name of ['aria-label', 'title', 'placeholder', 'alt']) {
      if (node.hasAttribute(name) && !node.closest('svg.music')) told.push(node.getAttribute(name));
    }
  }
  return told;
}"""


def _strings(value: object) -> list[str]:
    if isinstance(value, str):
        return [value]
    if isinstance(value, dict):
        return [each for pair in value.items() for part in pair for each in _strings(part)]
    if isinstance(value, list):
        return [each for part in value for each in _strings(part)]
    return []


class MadeUpLanguage(BrowserCase):
    seconds_each = 40
    players = tuple(p for p in PLAYERS if p.name in ("Mira Oslund", "Edda Brandt"))

    @classmethod
    def setUpClass(cls):
        build = Path(tempfile.mkdtemp())
        cls.addClassCleanup(shutil.rmtree, build)
        subprocess.run(
            ["npm", "run", "--silent", "build"],
            cwd=FRONTEND,
            env={**os.environ, "JOLF_LANGUAGE": "made-up", "JOLF_DIST": str(build)},
            check=True,
            capture_output=True,
        )
        cls.enterClassContext(override_settings(FRONTEND_BUILD=build, STATICFILES_DIRS=[build]))
        super().setUpClass()

    def setUp(self):
        super().setUp()
        self.from_server = set()
        self.context.on("response", self._note_answer)

    def _note_answer(self, response: Response) -> None:
        if "/api/" not in response.url or "json" not in response.headers.get("content-type", ""):
            return
        # What was still on its way when the page was left has said nothing.
        try:
            told = json.loads(response.body())
        except (json.JSONDecodeError, PlaywrightError):
            return
        for each in _strings(told):
            self.from_server.update(word.lower() for word in PLAIN.findall(each))

    def unmarked(self, path: str) -> list[str]:
        page = self.page
        page.goto(f"{self.live_server_url}/{path}")
        page.locator("main, [role=main]").first.wait_for()
        page.wait_for_load_state("networkidle")
        missed = []
        for text in page.evaluate(SAID):
            words = [w for w in PLAIN.findall(text) if not NOT_WORDS.match(w)]
            if any(word.lower() not in self.from_server for word in words):
                missed.append(text.strip())
        return missed

    def test_no_page_shows_a_word_that_stands_in_code(self):
        self.assertEqual(self.unmarked(""), [])
        client = Client()
        client.force_login(get_user_model().objects.get(username=DEMO_USERNAME))
        name = settings.SESSION_COOKIE_NAME
        cookie = {"name": name, "value": client.cookies[name].value, "url": self.live_server_url}
        self.context.add_cookies([cookie])
        lesson = Lesson.objects.filter(plan__isnull=False).order_by("pk").last()
        kids = list(Player.objects.values_list("pk", flat=True))
        group = save_group(get_user_model().objects.get(), None, "Kids", kids)
        choose_checks(group, ["wrist.caved"])
        steps = [f"lessons/{lesson.pk}?step={step}" for step in ("ask", "look", "decide", "give")]
        views = [
            *("", *steps, f"lessons/{lesson.pk}/sheet", f"players/{lesson.player_id}", "class"),
            f"players/{lesson.player_id}/repertoire",
            *(f"class/{group.pk}{view}" for view in ("", "/cards", "/round")),
            *("library", "desk", f"letters?players={lesson.player_id}"),
            *("library?open=exercises:thumb_taps", "library?open=checks:thumb.pressed"),
            *("library?open=causes:thumb_grip", "library?shelf=drills"),
            f"home/{make_link(lesson.player).token}",
        ]
        missed = {view: found for view in views if (found := self.unmarked(view))}
        self.assertEqual(missed, {})
