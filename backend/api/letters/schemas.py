"""Letters: drafts, and what the teacher made of them."""

from ninja import Field, Schema

from studio.paper.setting import Paper


class ParagraphOut(Schema):
    """`text`: lines parted by newlines; one that begins with "- " is an item of a list."""

    heading: str
    text: str


class LetterOut(Schema):
    """A draft; every sentence can be changed before it is printed."""

    player: int
    name: str
    title: str
    paragraphs: list[ParagraphOut]
    has_picture: bool


class ParagraphIn(Schema):
    """A paragraph as it is to be printed. `kind`: which part of the letter."""

    heading: str = Field(default="", max_length=120)
    text: str = Field(max_length=6000)


class LetterIn(Schema):
    """One letter as it is to be printed."""

    player: int
    title: str = Field(max_length=200)
    paragraphs: list[ParagraphIn] = Field(max_length=12)
    picture: bool = True


class LettersIn(Schema):
    """Letters to be printed together."""

    paper: Paper = Paper.A4
    letters: list[LetterIn] = Field(min_length=1, max_length=60)
