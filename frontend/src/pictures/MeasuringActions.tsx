import * as say from '../messages/compiled/pictures';
import { Button } from '@mantine/core';

import type { ActionsProps } from './Measuring';
import css from './Measuring.module.css';
import { isOfAFinger } from './pointPlan';

/** What can be done with the points as they stand. */
export function Actions(props: ActionsProps) {
  const { asked, points, found, first, truth, value, isOver, isKept } = props;
  const { onUndo, onOver, onOnceMore, onCut, onSecond, onValue, onDone } = props;
  return (
    <div className={css.actions}>
      <Button variant="default" disabled={points.length === 0} onClick={onUndo}>
        {say.takeBack()}
      </Button>
      {isOfAFinger(asked.kind) && asked.kind !== 'gap' && found && (
        <Button variant="default" aria-pressed={isOver} onClick={onOver}>
          {isOver ? say.withoutTheDrawnHand() : say.layTheDrawnHandOver()}
        </Button>
      )}
      <Button variant="default" disabled={found === null || first !== null} onClick={onOnceMore}>
        {say.setThemOnceMore()}
      </Button>
      {asked.kind !== 'span' && truth === undefined && (
        <Button variant="default" disabled={found === null || isKept} onClick={onCut}>
          {isKept ? say.kept() : say.keepThePicture()}
        </Button>
      )}
      {asked.kind !== 'span' && (
        <Button variant="default" disabled={found === null} onClick={onSecond}>
          {say.besideASecondPicture()}
        </Button>
      )}
      {onValue && truth === undefined ? (
        <Button
          disabled={value === null}
          onClick={() => {
            if (value !== null) onValue(Math.round(value * 100) / 100);
            onDone();
          }}
        >
          {say.takeItOver()}
        </Button>
      ) : (
        <Button disabled={value === null} onClick={onDone}>
          {say.done()}
        </Button>
      )}
    </div>
  );
}
