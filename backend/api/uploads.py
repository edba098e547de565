"""Files that are sent in: never more than is asked for."""

from ninja.files import UploadedFile

from studio.errors import StudioError

MEGA = 1_000_000


def bytes_of(file: UploadedFile, most: int) -> bytes:
    """Raises StudioError on `file` for more than `most` bytes."""
    if file.size is None or file.size > most:
        raise StudioError("bad_input", "file", f"expected at most {most // MEGA} MB")
    return bytes(file.read())
