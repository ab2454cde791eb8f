/** The editing rules: functions from a shot to a shot. */
package aperta.core.edit;
