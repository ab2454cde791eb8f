package aperta.media.svg;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Iterator;
import java.util.Locale;
import java.util.regex.Pattern;
import javax.xml.stream.XMLEventReader;
import javax.xml.stream.XMLEventWriter;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.events.Attribute;
import javax.xml.stream.events.Characters;
import javax.xml.stream.events.DTD;
import javax.xml.stream.events.StartElement;
import javax.xml.stream.events.XMLEvent;

/**
 * Looks through an SVG file before anything else reads it: what would fetch other files, run scripts, or grow by entities is
 * refused, and its document type, which would be fetched, is left out.
 */
final class SafeSvg {
    /** More bytes than any drawing of paths needs. */
    private static final int LARGEST = 8 << 20;

    private static final int DEEPEST = 200;

    private static final Pattern FETCHES =
            Pattern.compile("url\\(\\s*['\"]?\\s*(?!#)[^)\\s]|@import", Pattern.CASE_INSENSITIVE);

    private SafeSvg() {}

    /** @throws BadSvg with a sentence where it is refused */
    static byte[] of(byte[] file) {
        if (file.length > LARGEST) {
            throw new BadSvg("The file is larger than " + (LARGEST >> 20) + " MB.");
        }
        XMLInputFactory in = XMLInputFactory.newDefaultFactory();
        in.setProperty(XMLInputFactory.SUPPORT_DTD, true);
        in.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        in.setProperty(XMLInputFactory.IS_REPLACING_ENTITY_REFERENCES, false);
        in.setXMLResolver((publicId, systemId, base, namespace) -> new ByteArrayInputStream(new byte[0]));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            XMLEventReader reader = in.createXMLEventReader(new ByteArrayInputStream(file));
            XMLEventWriter writer =
                    XMLOutputFactory.newDefaultFactory().createXMLEventWriter(out, StandardCharsets.UTF_8.name());
            int depth = 0;
            boolean root = false;
            boolean style = false;
            while (reader.hasNext()) {
                XMLEvent event = reader.nextEvent();
                if (event instanceof DTD dtd) {
                    demandPlain(dtd);
                    continue;
                }
                if (event.isEntityReference()) {
                    throw new BadSvg("The file uses entities of its own, which could make it grow without end.");
                }
                if (event instanceof StartElement element) {
                    depth++;
                    if (!root && !element.getName().getLocalPart().equals("svg")) {
                        throw new BadSvg("The file is not SVG: it begins with '"
                                + element.getName().getLocalPart() + "'.");
                    }
                    root = true;
                    style = element.getName().getLocalPart().equals("style");
                    check(element, depth);
                } else if (event.isEndElement()) {
                    depth--;
                    style = false;
                } else if (event instanceof Characters text
                        && style
                        && FETCHES.matcher(text.getData()).find()) {
                    throw new BadSvg("Its styles fetch other files, which isn't done.");
                }
                if (!event.isProcessingInstruction()) {
                    writer.add(event);
                }
            }
            writer.flush();
            if (!root) {
                throw new BadSvg("The file is empty.");
            }
        } catch (XMLStreamException e) {
            String where =
                    e.getLocation() == null ? "" : " (line " + e.getLocation().getLineNumber() + ")";
            throw new BadSvg("The file is not well-formed XML" + where + ".", e);
        }
        return out.toByteArray();
    }

    private static void demandPlain(DTD dtd) {
        String text = dtd.getDocumentTypeDeclaration();
        if (text.contains("<!ENTITY")) {
            throw new BadSvg("The file declares entities, which could make it grow without end.");
        }
    }

    private static void check(StartElement element, int depth) {
        String name = element.getName().getLocalPart();
        if (depth > DEEPEST) {
            throw new BadSvg("The file nests more than " + DEEPEST + " levels deep.");
        }
        if (name.equals("script")) {
            throw new BadSvg("The file holds a script.");
        }
        for (Iterator<Attribute> it = element.getAttributes(); it.hasNext(); ) {
            Attribute a = it.next();
            String attribute = a.getName().getLocalPart().toLowerCase(Locale.ROOT);
            String value = a.getValue().strip();
            if (attribute.startsWith("on")
                    && attribute.length() > 2
                    && a.getName().getPrefix().isEmpty()) {
                throw new BadSvg("The file holds a script ('" + attribute + "' of '" + name + "').");
            }
            boolean link = attribute.equals("href") && !name.equals("a");
            boolean here = value.isEmpty() || value.startsWith("#") || value.startsWith("data:image/");
            if (link && !here || FETCHES.matcher(value).find()) {
                throw new BadSvg("'" + name + "' refers to another file, which isn't fetched.");
            }
        }
    }
}
