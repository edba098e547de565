"""A picture as SVG text that needs nothing else: for paper and for pages without a script."""

from collections.abc import Mapping
from types import MappingProxyType

from lefthand.drawing.picture import Picture

Style = Mapping[str, str]
INK = "#231c17"
PAPER: Style = MappingProxyType(
    {
        "skin": "#ffffff",
        "wood": "#f4f4f4",
        "board": "#4a4a4a",
        "ink": "#111111",
        "soft": "#777777",
        "string": "#dddddd",
        "nail": "#ffffff",
    }
)
LIGHT: Style = MappingProxyType(
    {
        "skin": "#f3e3d0",
        "wood": "#fdfaf3",
        "board": "#4a3f37",
        "ink": INK,
        "soft": "#8a7d70",
        "string": "#e8dcc8",
        "nail": "#fbf1e6",
    }
)


def _attributes(kind: str, style: Style) -> str:
    line = 'stroke-linecap="round" stroke-linejoin="round"'
    ink, soft, string = style["ink"], style["soft"], style["string"]
    return {
        "body": f'fill="{style["wood"]}" stroke="{soft}" stroke-width="1"',
        "head": f'fill="{style["wood"]}" stroke="{soft}" stroke-width="1.1"',
        "neck": f'fill="{style["wood"]}" stroke="{ink}" stroke-width="1.2"',
        "board": f'fill="{style["board"]}" stroke="{ink}" stroke-width="1.2"',
        "board-top": f'fill="{style["board"]}" stroke="{soft}" stroke-width="0.8"',
        "string": f'fill="none" stroke="{string}"',
        "skin": f'fill="{style["skin"]}"',
        "nail": f'fill="none" stroke="{ink}" stroke-width="1.1" {line}',
        "nail-pale": f'fill="#ffffff" stroke="{ink}" stroke-width="2.4" {line}',
        "line": f'fill="none" stroke="{ink}" stroke-width="2.1" {line}',
        "crease": f'fill="none" stroke="{ink}" stroke-width="1.2" {line}',
        "hidden": f'fill="none" stroke="{soft}" stroke-width="1.4" stroke-dasharray="5 4" {line}',
        "strain": f'fill="none" stroke="{ink}" stroke-width="2" {line}',
    }[kind]


def svg_of(picture: Picture, style: Style = LIGHT, *, title: str = "") -> str:
    """One `<svg>` element; `title` is its name for who does not see it."""
    named = f"<title>{title}</title>" if title else ""
    body = "".join(
        f'<path {_attributes(path.kind, style)} d="{path.d}"'
        + (f' stroke-width="{path.width}"' if path.width else "")
        + "/>"
        for path in picture.paths
    )
    size = f"{picture.width:g} {picture.height:g}"
    opening = f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {size}" role="img">'
    return f"{opening}{named}{body}</svg>"
