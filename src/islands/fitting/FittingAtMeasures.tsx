import { MeasureForm } from '../shared/measures/MeasureForm';
import FittingPage, { type FittingPageProps } from './FittingPage';

const BROUGHT = { measure: MeasureForm };

/** The page of a fitting, opened where the sitter is measured. */
export default function FittingAtMeasures(props: FittingPageProps) {
  return <FittingPage {...props} brought={BROUGHT} />;
}
