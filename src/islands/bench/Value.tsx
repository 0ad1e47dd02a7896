import type { ComponentProps } from 'react';
import { NumberField } from '../kit/NumberField';

/** A number that can be typed, or stepped by the arrow keys: by hundredths, with Shift by tenths. */
export const Value = (props: ComponentProps<typeof NumberField>) => <NumberField step={0.01} {...props} />;
