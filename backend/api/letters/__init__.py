"""Letters about players: drafts to edit, and the PDF of what was edited."""
