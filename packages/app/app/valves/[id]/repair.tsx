import { RepairPage } from '@/repair/repair-page';
import { WithValve } from '@/valve/with-valve';

/** A repair of one valve is noted. */
export default function RepairScreen() {
  return <WithValve>{(valve) => <RepairPage key={valve.id} valve={valve} />}</WithValve>;
}
