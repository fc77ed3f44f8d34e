import { useMemo } from 'react';
import { panelOf } from '@/core/schemes';
import { useEditor } from '../editor/StationProvider';

/** Where a part can be: the devices of this station’s panel and its sensors, offered while it is typed. */
export function PartPlaces({ id }: { id: string }) {
  const { station } = useEditor((s) => s.judged.context);
  const places = useMemo(() => {
    const made = panelOf(station);
    const devices = made.ok ? made.panel.devices.map((d) => `${d.tag} ${d.label}`) : [];
    return [...station.pumps.map((_, i) => (station.pumps.length > 1 ? `pump ${i + 1}` : 'the pump')), ...devices];
  }, [station]);
  return (
    <datalist id={id}>
      {places.map((p) => (
        <option key={p} value={p} />
      ))}
    </datalist>
  );
}
