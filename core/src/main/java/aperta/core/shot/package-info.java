/** The title shot as immutable data, its rules, and the shot at one moment. */
package aperta.core.shot;
