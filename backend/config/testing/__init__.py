"""How the tests run: side by side, the long ones first, with what they take."""
