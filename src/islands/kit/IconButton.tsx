import type { LucideIcon } from 'lucide-react';
import type { ComponentProps } from 'react';
import { Hint } from './Hint';

interface Props extends ComponentProps<'button'> {
  /** What it is called by those who cannot see its icon, and who find it by its name. */
  name: string;
  icon: LucideIcon;
  /** What its hint says, where that is not its name. */
  says?: string;
  size?: number;
}

/** A button whose icon stands alone, with its name for whoever asks. */
export const IconButton = ({
  name,
  icon: Icon,
  says = name,
  size = 15,
  className = 'plain-button',
  ...rest
}: Props) => (
  <Hint says={says}>
    <button type="button" className={className} aria-label={name} {...rest}>
      <Icon size={size} aria-hidden />
    </button>
  </Hint>
);
