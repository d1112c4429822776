/** How devices and tablets talk, and in which version. */
export const DEVICE_PROTOCOL = 'fukusa-device/1';
