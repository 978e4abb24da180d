import { gapCost, type SeatGap } from '../../core/seat';
import parts from '../../ui/parts.module.css';
import { word } from '../../words';

/** What nobody has described yet, and what that costs. */
export const GapList = ({
  gaps,
  className,
}: {
  readonly gaps: readonly SeatGap[];
  readonly className?: string | undefined;
}) => (
  <ol className={className}>
    {gaps.map((gap) => (
      <li key={gap} data-cost={gapCost(gap)}>
        {word(`gap.${gap}`)} <span className={parts.soft}>({word(`gapCost.${gapCost(gap)}`)})</span>
      </li>
    ))}
  </ol>
);
