import { useMantineColorScheme } from '@mantine/core';

import touch from './touch.module.css';
import { Sign } from './Sign';
import * as say from '../messages/compiled/components';

/** Light or dark. */
export function SchemeButton() {
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  const dark =
    colorScheme === 'dark' ||
    (colorScheme === 'auto' && window.matchMedia('(prefers-color-scheme: dark)').matches);
  return (
    <button
      type="button"
      className={touch.square}
      aria-label={dark ? say.lightPage() : say.darkPage()}
      onClick={() => setColorScheme(dark ? 'light' : 'dark')}
    >
      <Sign name={dark ? 'sun' : 'moon'} size={22} />
    </button>
  );
}
