"use client";

import { FeederView } from "./feeder-view";
import { useDeviceFeeder } from "./use-feeder";

/** The feeder planned on this device, of no job. */
export function DeviceFeeder() {
  return <FeederView held={useDeviceFeeder()} closures={[]} readings={[]} />;
}
