import CardStage from './CardStage';
import FittingPage, { type FittingPageProps } from './FittingPage';

const BROUGHT = { card: CardStage };

/** The page of a fitting, opened at its card. */
export default function FittingAtCard(props: FittingPageProps) {
  return <FittingPage {...props} brought={BROUGHT} />;
}
