"""From the bytes of a file to the elements of a score, with bounds on all that could grow.

A DOCTYPE is usual in MusicXML and allowed; entity declarations are refused before they are expanded
and nothing is fetched (defusedxml). What a zip says of its own sizes is never trusted.
"""

import io
import zipfile
import zlib
from xml.etree.ElementTree import Element, ParseError, TreeBuilder

from defusedxml import DefusedXmlException
from defusedxml.ElementTree import DefusedXMLParser

from lefthand.values.errors import InputError

FIELD = "piece"
LARGEST_FILE = 4_000_000  # bytes
LARGEST_SCORE = 10_000_000  # bytes, unpacked
LARGEST_CONTAINER = 65_536
MOST_ENTRIES = 200
MOST_ELEMENTS = 200_000
DEEPEST = 40
CONTAINER = "META-INF/container.xml"
ZIP_MARK = b"PK"
CHUNK = 65_536


def refused(problem: str) -> InputError:
    return InputError(FIELD, problem)


def score_elements(data: bytes) -> Element:
    """The root of a .musicxml, .xml or .mxl file. Raises InputError on `piece`."""
    if len(data) > LARGEST_FILE:
        raise refused(f"expected at most {LARGEST_FILE // 1_000_000} MB")
    return _parsed(_unpacked(data) if data[:2] == ZIP_MARK else data)


def _unpacked(data: bytes) -> bytes:
    try:
        archive = zipfile.ZipFile(io.BytesIO(data))
        entries = archive.infolist()
    except (zipfile.BadZipFile, ValueError, OverflowError, NotImplementedError, EOFError) as error:
        raise refused("is a compressed file that cannot be read") from error
    if len(entries) > MOST_ENTRIES:
        raise refused("holds too many files")
    container = _parsed(_entry(archive, CONTAINER, LARGEST_CONTAINER))
    for element in container.iter():
        path = element.get("full-path")
        if element.tag.endswith("rootfile") and path:
            return _entry(archive, path, LARGEST_SCORE)
    raise refused("names no score in its container")


def _entry(archive: zipfile.ZipFile, name: str, most: int) -> bytes:
    try:
        with archive.open(name) as file:
            found = file.read(most + 1)
    except KeyError as error:
        raise refused(f"has no {name[:60]!r} inside") from error
    except (
        RuntimeError,
        NotImplementedError,
        zipfile.BadZipFile,
        zlib.error,
        EOFError,
        ValueError,
        OSError,
    ) as error:
        raise refused("is a compressed file that is damaged") from error
    if len(found) > most:
        raise refused("unpacks too large")
    return found


class _Bounded(TreeBuilder):
    def __init__(self) -> None:
        super().__init__()
        self.depth = self.count = 0

    def start(self, tag: str, attrs: dict[str, str], /) -> Element:
        self.depth += 1
        self.count += 1
        if self.depth > DEEPEST or self.count > MOST_ELEMENTS:
            raise refused("is nested too deeply or has too many elements")
        return super().start(tag, attrs)

    def end(self, tag: str, /) -> Element:
        self.depth -= 1
        return super().end(tag)


def _parsed(data: bytes) -> Element:
    if len(data) > LARGEST_SCORE:
        raise refused("is too large")
    parser = DefusedXMLParser(target=_Bounded())
    try:
        for first in range(0, len(data), CHUNK):
            parser.feed(data[first : first + CHUNK])
        root = parser.close()
    except DefusedXmlException as error:
        raise refused("declares entities, which are not read") from error
    except InputError:
        raise
    except (ParseError, LookupError, ValueError, AssertionError) as error:
        raise refused("is not XML that can be read") from error
    if not isinstance(root, Element):
        raise refused("is empty")
    return root
