import { now } from '@/server/edge';
import { CardView } from '@/ui/card/CardView';

export default function CardPage() {
  return <CardView today={now()} />;
}
