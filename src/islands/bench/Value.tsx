import type { ComponentProps } from 'react';
import { NumberField } from '../kit/NumberField';

/** A number that can be typed, or stepped by the arrow keys: by hundredths, with Shift by tenths. */
export const Value = ({
  width = 'w-20',
  step = 0.01,
  ...rest
}: ComponentProps<typeof NumberField> & { width?: string }) => (
  <NumberField {...rest} step={step} className={`part ${width}`} />
);
