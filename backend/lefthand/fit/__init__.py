"""How an instrument fits a hand: string length, frame and span in mm."""
