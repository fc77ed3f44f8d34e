import { LevelsView } from '@/ui/levels/LevelsView';

export default function LevelsPage() {
  return <LevelsView />;
}
