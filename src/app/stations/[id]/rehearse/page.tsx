import { RehearseView } from '@/ui/rehearse/RehearseView';

export default function RehearsePage() {
  return <RehearseView />;
}
