"""Pictures of the main views: `python -m browser.screenshots ADDRESS FOLDER`.

The server at ADDRESS must run the demo studio.
"""

import sys
from pathlib import Path

from playwright.sync_api import Page

from browser.chromium import chromium
from browser.phone import week_is_there
from studio.demo.data import DEMO_PASSWORD, DEMO_USERNAME

SIZE = {"width": 1280, "height": 800}


def sign_in(page: Page, address: str) -> None:
    page.goto(address)
    page.get_by_label("Name").fill(DEMO_USERNAME)
    page.get_by_label("Password", exact=True).fill(DEMO_PASSWORD)
    page.get_by_role("button", name="Sign in").click()
    page.get_by_role("list", name="Lessons today").wait_for()


def settle(page: Page) -> None:
    """Wait until nothing is on its way any more."""
    page.wait_for_load_state("networkidle")
    if "?step=" in page.url or page.get_by_role("navigation", name="Steps").count():
        page.get_by_role("status").filter(has_text="Saved").wait_for()
    page.locator("[data-pending]").first.wait_for(state="detached")
    page.wait_for_timeout(300)


def grade(page: Page, grades: str) -> None:
    for each in grades:
        page.keyboard.press(each)
        page.wait_for_timeout(450)


def take_all(page: Page, address: str, folder: Path) -> None:
    """Walk through one lesson and keep a picture of every main view."""

    def keep(name: str, full: bool = False) -> None:
        settle(page)
        page.screenshot(path=folder / f"{name}.png", full_page=full)

    sign_in(page, address)
    keep("today")
    page.get_by_role("link", name="Mira Oslund").first.click()
    page.get_by_role("heading", name="Mira Oslund").wait_for()
    page.get_by_role("heading", name="Then and now").wait_for()
    keep("player")
    page.get_by_role("link", name="Letters").click()
    page.get_by_role("region", name="Letter about Mira Oslund").wait_for()
    keep("letters")
    page.go_back()
    page.get_by_role("button", name="Own music").click()
    page.locator("a[href*='/pieces/']").last.click()
    page.get_by_role("heading", name="The way there").wait_for()
    page.screenshot(path=folder / "piece.png")
    page.go_back()
    page.get_by_role("button", name="Begin").click()
    page.get_by_role("heading", name="Last week: show me").wait_for()
    keep("lesson-ask")
    page.get_by_role("button", name="Shown", exact=True).first.click()
    page.get_by_role("button", name="All is well").click()
    page.get_by_role("heading", name="What it means").wait_for()
    settle(page)
    grade(page, "1121")
    keep("lesson-look")
    page.keyboard.press("d")
    page.get_by_role("heading", name="This week").wait_for()
    keep("lesson-decide")
    page.keyboard.press("Enter")
    page.get_by_role("heading", name="The week").wait_for()
    keep("lesson-give", full=True)
    page.keyboard.press("Enter")
    page.get_by_role("heading", name="Mira’s week").wait_for()
    take_sheet(page, address, folder)
    page.get_by_role("link", name="Desk").click()
    page.get_by_role("heading", name="Your desk").wait_for()
    keep("desk")
    take_class(page, address, folder)
    take_library(page, address, folder)
    take_cello(page, address, folder)


def take_class(page: Page, address: str, folder: Path) -> None:
    """A sweep that is half done, and the cards that go with it."""
    page.goto(f"{address}/class")
    page.get_by_role("link", name="Small strings").click()
    page.get_by_role("heading", name="Look closer at").wait_for()
    grade(page, "1023")
    settle(page)
    page.screenshot(path=folder / "class.png")
    page.get_by_role("link", name="Partner cards").click()
    page.get_by_role("heading", name="Partner cards").wait_for()
    settle(page)
    page.screenshot(path=folder / "partner-cards.png")


def take_library(page: Page, address: str, folder: Path) -> None:
    page.goto(f"{address}/library?instrument=vc&search=feather&open=exercises:feather_to_floor")
    page.get_by_role("heading", name="From feather to floor").wait_for()
    settle(page)
    page.screenshot(path=folder / "library.png")


def take_sheet(page: Page, address: str, folder: Path) -> None:
    """A week with a tune in it, on the sheet and on the phone."""
    page.goto(address)
    page.get_by_role("button", name="Lene Moravec").click()
    page.get_by_role("link", name="Page of Lene Moravec").click()
    page.get_by_role("heading", name="Lene Moravec", level=1).wait_for()
    number = page.url.rsplit("/", 1)[-1]
    given = page.request.get(f"{address}/api/players/{number}").json()["lessons"][-1]["id"]
    page.goto(f"{address}/lessons/{given}/sheet")
    page.get_by_role("heading", name="Lene’s week").wait_for()
    settle(page)
    page.screenshot(path=folder / "sheet.png")
    page.get_by_role("button", name="For the phone").click()
    there = page.get_by_label("Address", exact=True).input_value()
    page.get_by_role("button", name="Close").click()
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(there)
    week_is_there(page)
    settle(page)
    page.screenshot(path=folder / "phone.png")
    page.get_by_role("button", name="Begin").click()
    while not page.get_by_text("Exercise 3 of 3").count():
        page.get_by_role("button", name="Next").click()
    page.screenshot(path=folder / "phone-practice.png", full_page=True)
    page.set_viewport_size(SIZE)
    page.goto(address)


def take_cello(page: Page, address: str, folder: Path) -> None:
    page.goto(address)
    page.get_by_role("button", name="lesson of Bruno Castel").click()
    page.get_by_role("button", name="All is well").click()
    page.get_by_role("heading", name="What it means").wait_for()
    grade(page, "112")
    settle(page)
    page.screenshot(path=folder / "lesson-look-cello.png")
    page.get_by_role("button", name="Tempo, reports").click()
    page.get_by_role("button", name="Uneven when fast").first.click()
    page.get_by_role("button", name="Measure", exact=True).click()
    for part in ("Slow", "Fast"):
        page.get_by_role("button", name=f"{part}, ").click()
        page.get_by_role("button", name="No microphone?").click()
        page.get_by_role("region", name="What was heard").wait_for()
    page.get_by_role("button", name="Take it").wait_for()
    settle(page)
    page.screenshot(path=folder / "measure.png")


def main(address: str, folder: Path) -> None:
    folder.mkdir(parents=True, exist_ok=True)
    with chromium() as browser:
        page = browser.new_context(viewport=SIZE, reduced_motion="reduce").new_page()
        take_all(page, address, folder)


if __name__ == "__main__":
    main(sys.argv[1], Path(sys.argv[2]))
