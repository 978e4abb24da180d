import { ChooseStage } from './ChooseStage';
import FittingPage, { type FittingPageProps } from './FittingPage';

const BROUGHT = { choose: ChooseStage };

/** The page of a fitting, opened where workstation and seat are chosen. */
export default function FittingAtChoice(props: FittingPageProps) {
  return <FittingPage {...props} brought={BROUGHT} />;
}
