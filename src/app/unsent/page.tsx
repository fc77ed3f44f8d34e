import { UnsentView } from '@/ui/unsent/UnsentView';

export const metadata = { title: 'a station on this device only' };

export default function UnsentPage() {
  return <UnsentView />;
}
