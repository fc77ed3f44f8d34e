import { PanelView } from '@/ui/panel/PanelView';

export default function PanelPage() {
  return <PanelView />;
}
