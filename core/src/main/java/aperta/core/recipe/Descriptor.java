package aperta.core.recipe;

import java.util.List;
import java.util.Optional;

/**
 * What is known of a kind of thing: from this come its checks, its controls at the desk, its schema and its page.
 *
 * @param kind the word that names it in a document
 * @param label for people
 * @param summary one sentence that says what it does
 */
public record Descriptor(String kind, String label, String summary, List<Parameter> parameters) {
    public Descriptor {
        parameters = List.copyOf(parameters);
    }

    public Optional<Parameter> parameter(String name) {
        return parameters.stream().filter(p -> p.name().equals(name)).findFirst();
    }

    /** The name under which what isn't known is kept as it was written. */
    public static final String WRITTEN = "written";

    /** Of a kind that this version doesn't know: all that there is of it is how it was written. */
    public static Descriptor unknown(String kind) {
        return new Descriptor(
                kind,
                kind,
                "This version doesn't know it: it is kept, and left out.",
                List.of(Parameter.reference(WRITTEN, "As it was written", Parameter.Kind.FILE)));
    }

    public boolean isUnknown() {
        return parameters.size() == 1 && parameters.get(0).name().equals(WRITTEN);
    }

    /** A recipe of this kind with its standard values. */
    public Recipe standard() {
        return Recipe.of(this, java.util.Map.of());
    }
}
