"""Answers that are files."""

from django.http import HttpResponse

PDF = "application/pdf"


def as_file(
    content: bytes | str, content_type: str, name: str, *, shown: bool = False
) -> HttpResponse:
    """A file to be kept under this name. `shown`: it is looked at first, to be printed."""
    response = HttpResponse(content, content_type=content_type)
    how = "inline" if shown else "attachment"
    response["Content-Disposition"] = f'{how}; filename="{name}"'
    return response
