import { useEffect } from "react";

/** Keeps the screen awake while the floor is open, where the device allows it (https or loopback only). */
export function useWakeLock(): void {
  useEffect(() => {
    if (!("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let wanted = true;
    const take = () => {
      if (document.visibilityState !== "visible") return;
      navigator.wakeLock.request("screen").then(
        (taken) => {
          if (wanted) lock = taken;
          else void taken.release();
        },
        // Refused on a low battery, say: counting goes on all the same.
        () => undefined,
      );
    };
    take();
    document.addEventListener("visibilitychange", take);
    return () => {
      wanted = false;
      document.removeEventListener("visibilitychange", take);
      void lock?.release();
    };
  }, []);
}
