/**
 * One job, one tab: a second tab on the same work would overwrite the first's entries. Needs the browser's locks;
 * without them it stands aside.
 */
import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue';

export interface SoleTab {
  /** The job is open in another tab of this device. */
  readonly elsewhere: Ref<boolean>;
  /** Goes on here; the other tab lets go. */
  takeOver(): Promise<void>;
}

/** @param held called whenever this tab holds the job: what stands on the device is the newest now */
export function useSoleTab(name: string, held: () => Promise<void>): SoleTab {
  const elsewhere = ref(false);
  let release: (() => void) | null = null;
  const hold = (steal: boolean) =>
    new Promise<void>((resolve) => {
      if (!navigator.locks) {
        void held().then(resolve);
        return;
      }
      navigator.locks
        .request(name, steal ? { steal: true } : { ifAvailable: true }, async (lock) => {
          elsewhere.value = lock === null;
          if (lock === null) {
            resolve();
            return;
          }
          await held();
          resolve();
          await new Promise<void>((done) => {
            release = done;
          });
        })
        .catch(() => {
          elsewhere.value = true;
          resolve();
        });
    });
  onMounted(() => hold(false));
  onBeforeUnmount(() => release?.());
  return { elsewhere, takeOver: () => hold(true) };
}
