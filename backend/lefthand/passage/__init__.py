"""A player's own music: how it lies under the hand."""
