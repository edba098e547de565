/** What stands before a picture of pitch: high, in tune, low. */
export function TuneLabels({ middle }: { middle: number }) {
  return (
    <>
      <text x="0" y={middle - 34}>
        high
      </text>
      <text x="0" y={middle + 5}>
        in tune
      </text>
      <text x="0" y={middle + 44}>
        low
      </text>
    </>
  );
}
