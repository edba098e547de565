"""What points on a still picture tell of the hand."""
