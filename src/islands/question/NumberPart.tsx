import { NumberField } from '../kit/NumberField';

interface Props {
  label: string;
  value: number | undefined;
  /** The unit it is in; null of a share. */
  unit?: string | null;
  /** What stands there while nothing is typed. */
  placeholder?: string;
  /** Why a number will not do; undefined when it does. */
  refuse?: (x: number) => string | undefined;
  onChange: (x: number | undefined) => void;
}

/** A number as a part of a sentence. */
export const NumberPart = (props: Props) => <NumberField {...props} />;
