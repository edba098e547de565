"""Setting a page with typst: data goes in as JSON, never as source, with the fonts that ship."""

from collections.abc import Mapping
from enum import StrEnum
from pathlib import Path

import typst

FONTS = Path(__file__).with_name("fonts")


class Paper(StrEnum):
    A4 = "a4"
    LETTER = "us-letter"


def shipped_fonts() -> typst.Fonts:
    return typst.Fonts(font_paths=[str(FONTS)], include_system_fonts=False)


def set_pdf(template: Path, inputs: Mapping[str, str], *, is_accessible: bool = True) -> bytes:
    """A template as PDF. Raises typst.TypstError for what the accessibility profile
    refuses, such as a letter that no shipped font has."""
    return bytes(
        typst.compile(
            template.read_bytes(),
            format="pdf",
            font_paths=shipped_fonts(),
            sys_inputs=dict(inputs),
            pdf_standards="ua-1" if is_accessible else None,
        )
    )


def set_svg(template: Path, inputs: Mapping[str, str]) -> list[str]:
    """A template as pictures, one a page."""
    found = typst.compile(
        template.read_bytes(),
        format="svg",
        font_paths=shipped_fonts(),
        sys_inputs=dict(inputs),
    )
    pages = found if isinstance(found, list) else [found]
    return [page.decode() for page in pages if page]
