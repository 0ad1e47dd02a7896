/** What is changed now and then: how marks and letters look. */
import { kindOf } from '../../core/figures/kinds';
import { Choice, Chosen, type ControlProps, Numbered, Switch } from './Controls';

/** How marks look: what fills them, how large they are, where readings and numbers stand. */
export function MarksControls(props: ControlProps) {
  const { answer, style } = props;
  const kind = kindOf(answer, style);
  const columns = (kind === 'means' || kind === 'shares') && style.marks === 'columns';
  const bodies = columns || kind === 'boxes';
  const readings = style.readings && kind !== 'shares';
  return (
    <>
      {bodies && (
        <Choice name="Fill">
          <Chosen label="Fill of columns and boxes" part="fill" usual="tinted" {...props} />, width{' '}
          <Numbered
            label="Width of columns in percent"
            unit="%"
            part="columnWidth"
            least={10}
            most={100}
            empty="auto"
            {...props}
          />
        </Choice>
      )}
      {answer.layout && kind !== 'interaction' && kind !== 'lines' && (
        <Choice name="Between groups">
          <Numbered
            label="Room between groups in percent"
            unit="%"
            part="groupGap"
            usual={20}
            least={0}
            most={80}
            {...props}
          />
        </Choice>
      )}
      {!columns && kind !== 'boxes' && (
        <Choice name="Size of means">
          <Numbered
            label="Size of means in points"
            unit="pt"
            part="meanPt"
            least={1}
            most={20}
            empty="auto"
            {...props}
          />
        </Choice>
      )}
      {readings && (
        <Choice name="Readings">
          <Chosen label="Readings of like value" part="scatter" usual="packed" {...props} />, size{' '}
          <Numbered
            label="Size of readings in points"
            unit="pt"
            part="readingPt"
            least={0.5}
            most={12}
            empty="auto"
            {...props}
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
            {...props}
          />
        </Choice>
      )}
      {(kind === 'means' || kind === 'shares') && (
        <Choice name={kind === 'shares' ? 'Each share' : 'Each mean'}>
          <Switch
            label="Values at their marks"
            part="valueLabels"
            words={['not written', 'written at its place']}
            {...props}
          />
        </Choice>
      )}
    </>
  );
}

/** Face, size and weight of what is written and ruled. */
export function TypeControls(props: ControlProps) {
  return (
    <>
      <Choice name="Text">
        <Chosen label="Face" part="font" usual="sans" {...props} />
        {', '}
        <Numbered label="Text size in points" unit="pt" part="fontPt" least={5} most={14} {...props} />
      </Choice>
      <Choice name="Lines">
        <Numbered label="Line weight in points" unit="pt" part="linePt" usual={0.75} least={0.25} most={3} {...props} />
      </Choice>
    </>
  );
}
