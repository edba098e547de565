"""Music that players bring, and its part on paper."""
