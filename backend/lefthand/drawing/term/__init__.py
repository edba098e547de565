"""The term picture: each cause is a string along the weeks, thick where the trouble is, a hair
where the hand is free."""
