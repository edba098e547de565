const PREFIX = 'jolf.whose/';

/** Whose week a link opens, as the server names it: known again when a new link takes its place. */
export function remember(token: string, whose: string): void {
  try {
    localStorage.setItem(`${PREFIX}${token}`, whose);
  } catch {
    // No room: what waits of an older link then stays with it.
  }
}

/** Other links of the same player that were opened on this device. */
export function earlierLinks(token: string, whose: string): string[] {
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(PREFIX) && localStorage.getItem(key) === whose)
    .map((key) => key.slice(PREFIX.length))
    .filter((each) => each !== token);
}

export function forgetLink(token: string): void {
  localStorage.removeItem(`${PREFIX}${token}`);
}
