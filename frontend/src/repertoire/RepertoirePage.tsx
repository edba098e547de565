import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from 'wouter';

import { playerQuery } from '../api/queries';
import { PageHead } from '../components/PageHead';
import { Problem } from '../components/Problem';
import screen from '../components/screen.module.css';
import { Scroll } from '../components/Scroll';
import touch from '../components/touch.module.css';
import { NextPieces } from './NextPieces';
import { PiecesSoFar } from './PiecesSoFar';
import { repertoireQuery } from './repertoire';
import css from './RepertoirePage.module.css';
import { ThemeStrings } from './ThemeStrings';
import * as say from '../messages/compiled/repertoire';

/** A player's music over time, and what brings one thing more. */
export function RepertoirePage() {
  const playerId = Number(useParams()['playerId']);
  const query = useQuery(repertoireQuery(playerId));
  const player = useQuery(playerQuery(playerId)).data;
  if (query.error && !query.data)
    return <Problem error={query.error} onRetry={() => void query.refetch()} />;
  return (
    <>
      <PageHead
        title={say.musicForThisHand()}
        about={player?.facts.name}
        href={`/players/${playerId}`}
        isOld={query.isError}
      />
      {query.data ? (
        <div className={`${screen.screen} ${screen.filled} ${css.page}`}>
          <section className={screen.left} aria-label={say.whatThePiecesAsked()}>
            <Scroll className={css.scroll}>
              <ThemeStrings told={query.data} />
              <PiecesSoFar playerId={playerId} told={query.data} />
            </Scroll>
          </section>
          <section className={`${screen.right} ${css.right}`} aria-label={say.whatIsNext()}>
            <Scroll className={css.scroll}>
              <NextPieces
                playerId={playerId}
                instrument={player?.facts.instrument}
                told={query.data}
              />
            </Scroll>
            <nav className={css.ways} aria-label={say.back()}>
              <Link className={touch.word} href={`/players/${playerId}`}>
                {say.backToThePlayer()}
              </Link>
            </nav>
          </section>
        </div>
      ) : (
        <p role="status" className={css.reading}>
          {say.reading()}
        </p>
      )}
    </>
  );
}
