import { Scroll } from '../components/Scroll';
import { SIDE, stringPath } from '../pieces/stringPath';
import type { Repertoire } from './repertoire';
import css from './RepertoirePage.module.css';
import * as say from '../messages/compiled/repertoire';

/** Each demand as a string along the pieces, thicker where a piece asks more of it. */
export function ThemeStrings({ told }: { told: Repertoire }) {
  const begun = told.pieces.filter((piece) => !piece.later);
  if (begun.length === 0) return <p className={css.none}>{say.noPieceYet()}</p>;
  return (
    <>
      <h2>{say.whatThePiecesAsked()}</h2>
      <p>{say.eachStringIsOneDemand()}</p>
      <Scroll className={css.wide}>
        <table className={css.strings}>
          <thead>
            <tr>
              <th scope="col">
                <span className="sr-only">{say.demand()}</span>
              </th>
              {begun.map((piece, place) => (
                <th key={piece.id} scope="col">
                  <span aria-hidden="true">{place + 1}</span>
                  <span className="sr-only">{piece.title}</span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {Object.entries(told.themes).map(([theme, words]) => {
              const shares = begun.map((piece) => piece.loads[theme] ?? 0);
              return (
                <tr key={theme}>
                  <th scope="row">{words}</th>
                  {begun.map((piece, place) => (
                    <td key={piece.id}>
                      <span className="sr-only">
                        {say.ofTheHeaviest({ share: Math.round(100 * (shares[place] ?? 0)) })}
                      </span>
                      <svg
                        viewBox={`0 0 ${SIDE} ${SIDE}`}
                        preserveAspectRatio="none"
                        aria-hidden="true"
                      >
                        <path d={stringPath(shares, place)} />
                      </svg>
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </Scroll>
    </>
  );
}
