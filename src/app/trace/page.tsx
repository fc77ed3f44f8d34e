import { SketchView } from '@/ui/trace/SketchView';

export const metadata = { title: 'a fault at an unknown site' };

export default function SketchPage() {
  return <SketchView />;
}
