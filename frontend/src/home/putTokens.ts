import { lamp, paper, SANS, SERIF } from '../tokens';

/** Colours and fonts as CSS variables, by day or lamplight as the phone is set. */
export function putTokens(element: HTMLElement): void {
  const dark = window.matchMedia('(prefers-color-scheme: dark)');
  const put = () => {
    const colours = dark.matches ? lamp : paper;
    for (const [name, value] of Object.entries(colours)) element.style.setProperty(name, value);
  };
  element.style.setProperty('--serif', SERIF);
  element.style.setProperty('--sans', SANS);
  dark.addEventListener('change', put);
  put();
}
