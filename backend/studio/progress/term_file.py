"""The term picture as a file of its own."""

import typst

from lefthand.change.term import Term
from lefthand.drawing.term.ground import Size
from lefthand.drawing.term.picture import PAPER, Span, term_picture
from studio.paper.setting import shipped_fonts

PIXELS_AN_INCH = 144
PAGE = """
#set page(width: auto, height: auto, margin: 12pt, fill: white)
#image(bytes(sys.inputs.svg), format: "svg", width: {width}pt, alt: "The term in a picture")
"""


def term_svg(term: Term, span: Span = Span.TERM, size: Size = Size.WIDE) -> str:
    """SVG with the colours of paper, and a white ground."""
    return term_picture(term, size, span, PAPER).svg


def term_png(term: Term, span: Span = Span.TERM) -> bytes:
    """PNG of twice the size of the screen's picture."""
    picture = term_picture(term, Size.WIDE, span, PAPER)
    found: bytes = typst.compile(
        PAGE.format(width=round(picture.width)).encode(),
        format="png",
        ppi=PIXELS_AN_INCH,
        font_paths=shipped_fonts(),
        sys_inputs={"svg": picture.svg},
    )
    return found
