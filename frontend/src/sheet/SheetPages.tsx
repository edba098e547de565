import { useQuery } from '@tanstack/react-query';

import { type SheetPaper, sheetPagesQuery } from '../api/queries';
import css from './SheetPages.module.css';
import * as say from '../messages/compiled/sheet';

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
  if (query.error && !query.data) return <p role="alert">{say.thePictureOfThePage()}</p>;
  if (!query.data) return <div className={`${css.page} ${shape}`} aria-busy="true" />;
  const { pages } = query.data;
  return (
    <div className={css.pages}>
      {pages.map((page, index) => (
        <div
          key={index}
          role="img"
          aria-label={say.sSheetPageOfIn({ name, index: index + 1, count: pages.length })}
          className={`${css.page} ${shape}`}
          dangerouslySetInnerHTML={{ __html: page }}
        />
      ))}
    </div>
  );
}
