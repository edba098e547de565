"""Nothing moves: over all checks the answers, the next action and the steps stay where they are."""

from browser.case import BrowserCase
from studio.demo.data import PLAYERS
from studio.models import Lesson

# Of what must stay, and whether any words are cut.
BOXES = """() => {
  const box = (node) => {
    const { x, y, width, height } = node.getBoundingClientRect();
    return [x, y, width, height].map(Math.round).join();
  };
  const answers = [...document.querySelectorAll('[aria-label$="how clear is it?"] button')];
  const words = document.querySelector('[data-question] h3').parentElement;
  const low = (button) => [...button.querySelectorAll('span')].some(
    (span) => span.getBoundingClientRect().bottom > button.getBoundingClientRect().bottom + 1);
  return {
    answers: answers.map(box).join(' '),
    next: box(document.querySelector('main button[aria-keyshortcuts=Enter]')),
    steps: box(document.querySelector('nav[aria-label="Steps of the lesson"]')),
    skip: box(document.querySelector('button[aria-keyshortcuts=x]')),
    over: words.scrollHeight > words.clientHeight + 4,
    cut: answers.some(low),
    wide: document.documentElement.scrollWidth > innerWidth,
  };
}"""
GO = "address => history.pushState({}, '', address)"
STILL = ("answers", "next", "steps", "skip")


# Of what every screen of a lesson has in common.
COMMON = """() => {
  const box = (node) => {
    const { x, y, width, height } = node.getBoundingClientRect();
    return [x, y, width, height].map(Math.round).join();
  };
  return [
    box(document.querySelector('main [aria-keyshortcuts=Enter]')),
    ...[...document.querySelectorAll('nav[aria-label="Steps of the lesson"] button')].map(box),
  ].join(' ');
}"""


# Notes every shift of what is shown, and when the view's own heading stood there.
WATCH = """() => {
  window.shifts = [];
  window.stands = null;
  new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) {
      const what = entry.sources.map(({ node }) => node?.outerHTML?.slice(0, 90) ?? '?');
      window.shifts.push({ at: entry.startTime, by: entry.value, what });
    }
  }).observe({ type: 'layout-shift', buffered: true });
  const look = () => {
    if (document.querySelector('main h1, main h2')) window.stands = performance.now();
    else requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
}"""
# Letters that change their face when the font comes move lines by less than this share of the screen.
LATE = """() => window.shifts
  .filter(({ at, by }) => window.stands !== null && at > window.stands && by > 0.02)
  .map(({ at, by, what }) =>
    `${Math.round(at - window.stands)} ms: ${by.toFixed(4)} ${what.join(' | ')}`)"""


class Stillness(BrowserCase):
    seconds_each = 60
    players = tuple(p for p in PLAYERS if p.name in ("Mira Oslund", "Edda Brandt"))
    sizes = {
        "Mira Oslund": ((1280, 800), (1024, 768), (390, 844)),
        "Edda Brandt": ((1024, 768),),
    }

    def test_over_all_checks_no_answer_and_no_action_moves_and_no_word_is_cut(self):
        for player, sizes in self.sizes.items():
            self.begin_looking(player)
            lesson = Lesson.objects.order_by("pk").last()
            self.assertEqual(lesson.player.name, player)
            for width, height in sizes:
                self.page.set_viewport_size({"width": width, "height": height})
                with self.subTest(player=player, width=width):
                    self.walk(lesson.player.instrument)

    def walk(self, instrument):
        page = self.page
        read = "async () => await (await fetch('/api/catalogue')).json()"
        checks = [
            each for each in page.evaluate(read)["evidence"] if instrument in each["instruments"]
        ]
        self.assertGreater(len(checks), 70)
        seen = {name: set() for name in STILL}
        bad = []
        for check in checks:
            page.evaluate(GO, f"?step=look&check={check['id']}")
            page.get_by_role("heading", level=3, name=check["label"], exact=True).wait_for()
            found = page.evaluate(BOXES)
            for name in STILL:
                seen[name].add(found[name])
            if found["over"] or found["cut"] or found["wide"]:
                bad.append((check["id"], found))
        self.assertEqual(bad, [])
        self.assertEqual(
            {name: len(boxes) for name, boxes in seen.items()}, dict.fromkeys(STILL, 1)
        )

    def test_from_step_to_step_and_question_to_question_the_next_action_stays(self):
        page = self.page
        self.begin_looking("Mira Oslund")
        for width, height in ((1280, 800), (1024, 768)):
            page.set_viewport_size({"width": width, "height": height})
            seen = set()
            for step in "aldg":
                page.keyboard.press(step)
                page.wait_for_load_state("networkidle")
                page.locator("main [aria-keyshortcuts=Enter]").first.wait_for()
                seen.add(page.evaluate(COMMON))
                for _ in range(3):
                    page.keyboard.press("ArrowDown")
                    seen.add(page.evaluate(COMMON))
                page.keyboard.press("Escape")
            with self.subTest(width=width):
                self.assertEqual(len(seen), 1, seen)

    def test_no_page_shifts_once_it_stands(self):
        self.begin_looking("Mira Oslund")
        self.press_grades("211")
        self.saved()
        page = self.page
        lesson = Lesson.objects.order_by("pk").last()
        given = Lesson.objects.filter(player=lesson.player, plan__isnull=False).last()
        steps = [f"lessons/{lesson.pk}?step={step}" for step in ("ask", "look", "decide", "give")]
        views = [
            *("", *steps, f"lessons/{given.pk}/sheet", f"players/{lesson.player_id}"),
            *(f"letters?players={lesson.player_id}", "library", "class", "desk"),
            *(f"library?open={each}" for each in ("checks:thumb.pressed", "causes:thumb_grip")),
            "library?open=exercises:thumb_taps",
        ]
        page.add_init_script(f"({WATCH})()")
        for width, height in ((1280, 800), (390, 844)):
            page.set_viewport_size({"width": width, "height": height})
            for view in views:
                with self.subTest(view=view, width=width):
                    page.goto(f"{self.live_server_url}/{view}")
                    page.wait_for_load_state("networkidle")
                    page.locator("[data-pending]").first.wait_for(state="detached")
                    page.evaluate("() => document.fonts.ready")
                    self.assertEqual(page.evaluate(LATE), [])
