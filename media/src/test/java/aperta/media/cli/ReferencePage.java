package aperta.media.cli;

import aperta.core.opening.Opening;
import aperta.core.opening.Openings;
import aperta.core.opening.Window;
import aperta.core.opening.Windows;
import aperta.core.proof.Check;
import aperta.core.proof.Checks;
import aperta.core.recipe.Descriptor;
import aperta.core.recipe.Parameter;
import aperta.core.time.Signal;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Locale;

/** All described things with their parameters, as a page in Markdown. */
final class ReferencePage {
    private ReferencePage() {}

    /** The page as it is now. */
    static String text() {
        StringBuilder page = new StringBuilder("# What there is\n\n");
        page.append("Written by `./aperta docs` from what the code says of itself.\n");
        part(page, "Openings", Openings.all().stream().map(Opening::descriptor).toList());
        part(page, "Windows", Windows.all().stream().map(Window::descriptor).toList());
        part(page, "Signals", Signal.all().stream().map(Signal::descriptor).toList());
        part(page, "Checks", Checks.all().stream().map(Check::descriptor).toList());
        return page.toString();
    }

    private static void part(StringBuilder page, String title, List<Descriptor> all) {
        page.append("\n## ").append(title).append("\n");
        for (Descriptor d : all) {
            page.append("\n### ")
                    .append(d.label())
                    .append("\n`")
                    .append(d.kind())
                    .append("`: ");
            page.append(d.summary()).append("\n");
            if (!d.parameters().isEmpty()) {
                page.append("\n| parameter | | range | standard |\n|---|---|---|---|\n");
                d.parameters().forEach(p -> page.append(row(p)));
            }
        }
    }

    /** A line of a table of parameters. */
    static String row(Parameter p) {
        String range = switch (p.kind()) {
            case NUMBER, WHOLE, ANGLE, POINT ->
                number(p, p.least()) + " to " + number(p, p.most()) + (p.unit().isEmpty() ? "" : " " + p.unit());
            case CHOICE -> String.join(", ", p.choices());
            case TRUTH -> "yes or no";
            case COLOUR, CURVE, LAYER, PROPERTY, TRACK, FILE ->
                "a " + p.kind().name().toLowerCase(Locale.ROOT);
        };
        String standard = switch (p.kind()) {
            case NUMBER, WHOLE, ANGLE ->
                number(p, (Double) p.standard()) + (p.unit().isEmpty() ? "" : " " + p.unit());
            case TRUTH -> Boolean.TRUE.equals(p.standard()) ? "yes" : "no";
            case CHOICE -> (String) p.standard();
            case POINT, COLOUR, CURVE, LAYER, PROPERTY, TRACK, FILE -> "";
        };
        return "| " + p.label() + " | `" + p.name() + "` | " + range + " | " + standard + " |\n";
    }

    private static String number(Parameter p, double value) {
        return BigDecimal.valueOf(p.unit().equals("%") ? value * 100 : value)
                .setScale(4, RoundingMode.HALF_EVEN)
                .stripTrailingZeros()
                .toPlainString();
    }
}
