/** Exact frame rates, timecode, eases, and values that change over time. */
package aperta.core.time;
