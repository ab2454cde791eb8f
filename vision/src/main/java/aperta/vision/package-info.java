/** Looks at footage: follows marks through it. What is used for that is known here only. */
package aperta.vision;
