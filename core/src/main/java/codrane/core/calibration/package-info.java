/**
 * Calibration files: Intel HEX, Motorola S-record and raw binary as memory segments, their manifest and the check
 * before use. Read {@link codrane.core.calibration.CalibrationFile} first.
 */
package codrane.core.calibration;
