/** What is changed now and then: how marks and letters look. */
import { kindOf } from '../../core/figures/kinds';
import { Choice, Chosen, type ControlProps, Measure, Switch } from './Controls';

/** How marks look: what fills them, how large they are, where readings and numbers stand. */
export function MarksControls({ answer, style, set }: ControlProps) {
  const kind = kindOf(answer, style);
  const columns = (kind === 'means' || kind === 'shares') && style.marks === 'columns';
  const bodies = columns || kind === 'boxes';
  const readings = style.readings && kind !== 'shares';
  return (
    <>
      {bodies && (
        <Choice name="Fill">
          <Chosen
            label="Fill of columns and boxes"
            part="fill"
            options={{ tinted: 'tinted', solid: 'solid', none: 'outline only' }}
            usual="tinted"
            style={style}
            set={set}
          />
          , width{' '}
          <Measure
            label="Width of columns in percent"
            unit="%"
            value={style.columnWidth}
            least={10}
            most={100}
            empty="auto"
            onChange={(columnWidth) => set({ columnWidth })}
          />
        </Choice>
      )}
      {answer.layout && kind !== 'interaction' && kind !== 'lines' && (
        <Choice name="Between groups">
          <Measure
            label="Room between groups in percent"
            unit="%"
            value={style.groupGap ?? 20}
            least={0}
            most={80}
            onChange={(groupGap) => set({ groupGap })}
          />
        </Choice>
      )}
      {!columns && kind !== 'boxes' && (
        <Choice name="Size of means">
          <Measure
            label="Size of means in points"
            unit="pt"
            value={style.meanPt}
            least={1}
            most={20}
            empty="auto"
            onChange={(meanPt) => set({ meanPt })}
          />
        </Choice>
      )}
      {readings && (
        <Choice name="Readings">
          <Chosen
            label="Readings of like value"
            part="scatter"
            options={{ packed: 'side by side', random: 'scattered by chance', line: 'on one line' }}
            usual="packed"
            style={style}
            set={set}
          />
          , size{' '}
          <Measure
            label="Size of readings in points"
            unit="pt"
            value={style.readingPt}
            least={0.5}
            most={12}
            empty="auto"
            onChange={(readingPt) => set({ readingPt })}
          />
        </Choice>
      )}
      {columns && (
        <Choice name="Bars reach">
          <Chosen
            label="Side of the error bars"
            part="barSide"
            options={{ both: 'to both sides', outer: 'away from 0 only' }}
            usual="both"
            style={style}
            set={set}
          />
        </Choice>
      )}
      {(kind === 'means' || kind === 'shares') && (
        <Choice name={kind === 'shares' ? 'Each share' : 'Each mean'}>
          <Switch
            label="Values at their marks"
            part="valueLabels"
            words={['not written', 'written at its place']}
            style={style}
            set={set}
          />
        </Choice>
      )}
    </>
  );
}

/** Face, size and weight of what is written and ruled. */
export function TypeControls({ style, set }: ControlProps) {
  return (
    <>
      <Choice name="Text">
        <Chosen
          label="Face"
          part="font"
          options={{ sans: 'sans', serif: 'serif' }}
          usual="sans"
          style={style}
          set={set}
        />
        {', '}
        <Measure
          label="Text size in points"
          unit="pt"
          value={style.fontPt}
          least={5}
          most={14}
          onChange={(fontPt = style.fontPt) => set({ fontPt })}
        />
      </Choice>
      <Choice name="Lines">
        <Measure
          label="Line weight in points"
          unit="pt"
          value={style.linePt ?? 0.75}
          least={0.25}
          most={3}
          onChange={(linePt) => set({ linePt })}
        />
      </Choice>
    </>
  );
}
