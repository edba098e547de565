/** What stands before a picture of pitch: high, in tune, low. */
import * as say from '../messages/compiled/sound';

export function TuneLabels({ middle }: { middle: number }) {
  return (
    <>
      <text x="0" y={middle - 34}>
        {say.high()}
      </text>
      <text x="0" y={middle + 5}>
        {say.inTune()}
      </text>
      <text x="0" y={middle + 44}>
        {say.low()}
      </text>
    </>
  );
}
