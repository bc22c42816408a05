import { ValvePage } from '@/valve/valve-page';
import { WithValve } from '@/valve/with-valve';

/** One valve: what it must hold and why, its plate, how it has fared, and the way into a run. */
export default function ValveScreen() {
  return <WithValve>{(valve) => <ValvePage key={valve.id} valve={valve} />}</WithValve>;
}
