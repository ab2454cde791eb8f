package aperta.media.output;

import java.nio.file.Path;
import java.util.List;
import java.util.stream.Collectors;

/** Every output there is. */
public final class Outputs {
    public static final Output H264 = new H264();
    public static final Output PNG = new PngSequence();

    private static final List<Output> ALL = List.of(H264, PNG, new ProRes4444(), new Vp9Alpha(), new Ffv1());

    private Outputs() {}

    public static List<Output> all() {
        return ALL;
    }

    /** @throws IllegalArgumentException where there is no such output */
    public static Output of(String word) {
        return ALL.stream()
                .filter(o -> o.word().equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("There is no output '" + word + "'; there are "
                        + ALL.stream().map(Output::word).collect(Collectors.joining(", ")) + "."));
    }

    /**
     * The output whose files end as this one does.
     *
     * @throws IllegalArgumentException where none does
     */
    public static Output bySuffix(Path file) {
        return ALL.stream()
                .filter(o -> file.toString().endsWith(o.suffix()))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("The output ends in "
                        + ALL.stream()
                                .map(o -> o.suffix() + " (" + o.label() + ")")
                                .collect(Collectors.joining(", "))
                        + ", not as " + file + " does."));
    }
}
