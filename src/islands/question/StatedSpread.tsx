import { NumberPart } from './NumberPart';

const above0 = (what: string) => (x: number) => (x > 0 ? undefined : `${what} is above 0`);

/** The spread one group is held against: typed as SD or as variance, the other follows. */
export const StatedSpread = ({
  sd,
  unit,
  onChange,
}: {
  sd: number | undefined;
  unit: string;
  onChange: (sd: number | undefined) => void;
}) => (
  <>
    an SD of{' '}
    <NumberPart
      label="Stated SD"
      value={sd}
      unit={unit}
      placeholder="an SD"
      refuse={above0('An SD')}
      onChange={onChange}
    />
    {unit && ` ${unit}`}{' '}
    <span className="text-[17px] text-muted">
      (variance{' '}
      <NumberPart
        label="Stated variance"
        value={sd === undefined ? undefined : sd * sd}
        unit={unit && `${unit}²`}
        refuse={above0('A variance')}
        onChange={(x) => onChange(x === undefined ? undefined : Math.sqrt(x))}
      />
      )
    </span>
  </>
);
