"""Pages of help, as the knowledge has them: figures stand in them by name."""

import re
from dataclasses import dataclass

from lefthand.values.knowledge_file import Record

NAME = re.compile(r"\{(\w+)\}")


@dataclass(frozen=True, slots=True)
class HelpPage:
    """screens: those that it belongs to. text: paragraphs; one that begins with "- " is a point of
    a list; {names} of figures stand in them."""

    id: str
    title: str
    screens: tuple[str, ...]
    text: tuple[str, ...]

    @property
    def names(self) -> set[str]:
        """Figures that are to be filled in."""
        return {name for paragraph in self.text for name in NAME.findall(paragraph)}


def read_help(record: Record) -> HelpPage:
    """One record of the file. Raises CatalogueError naming it."""
    page = HelpPage(
        id=record.id,
        title=record.text("title"),
        screens=tuple(record.words("screens")),
        text=tuple(record.words("text")),
    )
    record.done()
    return page
