// What a finger oximeter and a heart belt send, byte by byte: the pulse oximeter service 1.0 (0x1822) and the heart
// rate service 1.0 (0x180D) of the Bluetooth SIG; numbers as in IEEE 11073-20601. From memory; spec/browser/
// sensors_spec.rb holds it against Wireshark's reading of the same bytes.
export const OXIMETER = { service: 0x1822, characteristic: 0x2a5f };
export const BELT = { service: 0x180d, characteristic: 0x2a37 };

// A short number: twelve bits of it, four of its power of ten, and five values that are none.
const NO_NUMBERS = [0x07fe, 0x07ff, 0x0800, 0x0801, 0x0802];

/** @returns a number, or null where the bytes say that there is none */
export function shortNumber(bytes, at) {
  const raw = bytes.getUint16(at, true);
  if (NO_NUMBERS.includes(raw)) return null;
  const signed = (bits, width) => (bits >= 1 << (width - 1) ? bits - (1 << width) : bits);
  const [digits, power] = [signed(raw & 0x0fff, 12), signed(raw >> 12, 4)];
  return power < 0 ? digits / 10 ** -power : digits * 10 ** power;
}

// Bit by bit: why a reading is none, and why it is doubtful.
const MEASURED = {
  none: {
    9: "from its memory",
    10: "a demonstration",
    11: "a test",
    12: "calibrating",
    13: "no reading",
    15: "no reading",
  },
  doubtful: { 6: "early", 14: "doubtful" },
};
const SENSED = {
  none: {
    1: "a fault of the device",
    3: "hardly a signal",
    7: "no pulse in the signal",
    11: "not on the finger",
    12: "another sensor",
    13: "slipped",
    14: "a fault of the sensor",
    15: "unplugged",
  },
  doubtful: {
    2: "uneven",
    4: "a poor signal",
    5: "a cold finger",
    6: "unsteady",
    8: "doubtful",
    9: "early",
    10: "disturbed",
  },
};
const said = (bits, words) => Object.entries(words).find(([bit]) => bits & (1 << bit))?.[1] ?? null;

/** Bytes that end before their own flags say so are none. */
const whole = (read) => (bytes) => {
  try {
    return read(bytes);
  } catch (fault) {
    if (fault instanceof RangeError) return { fault: "not to be read" };
    throw fault;
  }
};

/**
 * A continuous measurement of an oximeter.
 * @param bytes a DataView
 * @returns { saturation, pulse } in percent and beats a minute, each null where unknown; besides `fault` where it is no
 *   reading, `doubt` where it is a poor one, in words
 */
export const readOximeter = whole((bytes) => {
  const flags = bytes.getUint8(0);
  const reading = { saturation: shortNumber(bytes, 1), pulse: shortNumber(bytes, 3) };
  // A fast and a slow average may stand between, four bytes each.
  let at = 5 + (flags & 1 ? 4 : 0) + (flags & 2 ? 4 : 0);
  const measured = flags & 4 ? bytes.getUint16(at, true) : 0;
  at += flags & 4 ? 2 : 0;
  const sensed = flags & 8 ? bytes.getUint16(at, true) | (bytes.getUint8(at + 2) << 16) : 0;
  const fault = said(measured, MEASURED.none) ?? said(sensed, SENSED.none);
  return { ...reading, fault, doubt: said(measured, MEASURED.doubtful) ?? said(sensed, SENSED.doubtful) };
});

/**
 * A measurement of a heart belt.
 * @param bytes a DataView
 * @returns { pulse, intervals } in beats a minute, and from one beat to the next in milliseconds; `fault` where the
 *   belt says that it does not touch the skin
 */
export const readBelt = whole((bytes) => {
  const flags = bytes.getUint8(0);
  const wide = flags & 1;
  const pulse = wide ? bytes.getUint16(1, true) : bytes.getUint8(1);
  const intervals = [];
  // What was spent of energy may stand between, two bytes.
  if (flags & 16)
    for (let at = 2 + wide + (flags & 8 ? 2 : 0); at < bytes.byteLength; at += 2)
      intervals.push((bytes.getUint16(at, true) * 1000) / 1024);
  const touches = !(flags & 4) || flags & 2;
  return { pulse, intervals, fault: touches ? null : "not on the skin", doubt: null };
});
