export {
  DEVICE_FAULTS,
  DEVICE_FORMAT,
  DEVICE_KINDS,
  DeviceMessageSchema,
  Lines,
  heard,
  lineOf,
  type DeviceFault,
  type DeviceKind,
  type DeviceMessage,
  type Heard,
} from './message';
export { calliperPress, scaleSteps, seededRandom } from './simulated';
export { hasSerial, openSerial } from './serial';
