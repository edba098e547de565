"""What players say of themselves."""

from collections.abc import Mapping
from dataclasses import dataclass

from lefthand.catalogue.evidence import Evidence
from lefthand.values.knowledge_file import Record


@dataclass(frozen=True, slots=True)
class Complaint:
    """What a player says, and the evidence that it speaks of. `common`: offered without typing.
    `hurts`: it may speak of pain, so one asks."""

    id: str
    says: str
    evidence: str
    common: bool
    hurts: bool


def read_complaint(record: Record, evidence: Mapping[str, Evidence]) -> Complaint:
    """One record of the file. Raises CatalogueError naming it."""
    complaint = Complaint(
        id=record.id,
        says=record.text("says"),
        evidence=record.text("evidence"),
        common=record.flag("common"),
        hurts=record.flag("hurts"),
    )
    if complaint.evidence not in evidence:
        record.fail(f"evidence: unknown evidence {complaint.evidence!r}")
    record.done()
    return complaint
