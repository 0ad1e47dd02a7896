import { covariateOf } from '../../core/question/covariate';
import type { AskProps } from './Measured';
import { NumberPart } from './NumberPart';

/** The value of the covariate that means are adjusted to: its mean unless another is typed. */
export function CovariateAt({ question, table, onChange }: AskProps) {
  const unit = covariateOf(question, table)?.unit ?? '';
  return (
    <>
      ; adjusted to{' '}
      <NumberPart
        label="Adjusted to"
        value={question.covariateAt}
        unit={unit}
        placeholder="its mean"
        onChange={(x) => {
          const { covariateAt: _, ...rest } = question;
          onChange(x === undefined ? rest : { ...rest, covariateAt: x });
        }}
      />
      {unit && question.covariateAt !== undefined && ` ${unit}`}
    </>
  );
}
