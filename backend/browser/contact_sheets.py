"""Every posture of the drawn hand on one sheet a family: `python -m browser.contact_sheets FOLDER`.

To be looked at after a change of the hand, its postures or its drawing.
"""

import sys
from pathlib import Path

from browser.chromium import chromium
from lefthand.catalogue.catalogue import load_catalogue
from lefthand.drawing.picture import ALONG, MAIN, picture_of
from lefthand.drawing.posture import Sign, is_drawn, posture_of
from lefthand.drawing.svg import LIGHT, svg_of
from lefthand.values.vocabulary import Grade, Instrument

SHEETS = {"hands-violin": Instrument.VIOLIN, "hands-cello": Instrument.CELLO}
# As the application draws it before a teacher has chosen a tone.
UNPAINTED = {**LIGHT, "skin": "#fdfaf3", "nail": "#fdfaf3", "soft": "#b9ac96", "string": "#cfc4b0"}
STYLE = """
body { margin: 8px; background: #f6f1e7; font: 13px sans-serif; }
figure { display: inline-block; margin: 4px; padding: 4px; border: 1px solid #ded4c1; }
div { display: inline-block; vertical-align: bottom; }
.main { width: 190px; } .along { width: 90px; }
"""


def sheet(instrument: Instrument) -> str:
    """The hand at ease, then every sign at clear and strong, from both sides."""
    cells = [_cell(instrument, "at ease", [])]
    for evidence in load_catalogue().evidence.values():
        if instrument in evidence.instruments and is_drawn(evidence.id, instrument):
            for grade in (Grade.CLEAR, Grade.STRONG):
                sign = Sign(evidence.id, grade, evidence.of_finger)
                cells.append(_cell(instrument, f"{evidence.label}: {grade.name.lower()}", [sign]))
    return f"<style>{STYLE}</style>{''.join(cells)}"


def _cell(instrument: Instrument, words: str, signs: list[Sign]) -> str:
    hand = posture_of(instrument, signs)
    views = "".join(
        f'<div class="{view}">{svg_of(picture_of(hand, view), UNPAINTED)}</div>'
        for view in (MAIN, ALONG)
    )
    return f"<figure><figcaption>{words}</figcaption>{views}</figure>"


def main(folder: Path) -> None:
    with chromium() as browser:
        page = browser.new_page(viewport={"width": 1280, "height": 800})
        for name, instrument in SHEETS.items():
            page.set_content(sheet(instrument))
            page.screenshot(path=folder / f"{name}.png", full_page=True)


if __name__ == "__main__":
    main(Path(sys.argv[1]))
