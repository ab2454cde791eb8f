/** What can be measured wrong in a shot: checks, and the findings that they make. */
package aperta.core.proof;
