import { useQuery } from '@tanstack/react-query';

import { type SheetPaper, sheetPagesQuery } from '../api/queries';
import css from './SheetPages.module.css';

interface Props {
  lessonId: number;
  paper: SheetPaper;
  name: string;
}

/** The pages as they will be printed: pictures of the very same page. */
export function SheetPages({ lessonId, paper, name }: Props) {
  const query = useQuery({
    ...sheetPagesQuery(lessonId, paper),
    placeholderData: (before) => before,
  });
  const shape = paper.paper === 'a4' ? css.a4 : css.letter;
  if (query.error && !query.data)
    return <p role="alert">The picture of the page did not come. The PDF can still be opened.</p>;
  if (!query.data) return <div className={`${css.page} ${shape}`} aria-busy="true" />;
  const { pages } = query.data;
  return (
    <div className={css.pages}>
      {pages.map((page, index) => (
        <div
          key={index}
          role="img"
          aria-label={`${name}’s sheet, page ${index + 1} of ${pages.length}; in words beside it`}
          className={`${css.page} ${shape}`}
          dangerouslySetInnerHTML={{ __html: page }}
        />
      ))}
    </div>
  );
}
