"""What the records say of a player before a lesson begins."""
