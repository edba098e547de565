import { useEffect } from 'react';

const STUDIO = 'Jolf';

/** What the browser's tab says while this page is shown. */
export function usePageTitle(title: string): void {
  useEffect(() => {
    document.title = `${title} · ${STUDIO}`;
    return () => {
      document.title = STUDIO;
    };
  }, [title]);
}
