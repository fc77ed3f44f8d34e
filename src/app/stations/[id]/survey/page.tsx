import { SurveyView } from '@/ui/survey/SurveyView';

export default function SurveyPage() {
  return <SurveyView />;
}
