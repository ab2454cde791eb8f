package aperta.core.render;

import aperta.core.geometry.Affine;
import aperta.core.picture.Region;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/** Names a result by what it is computed from: equal keys mean equal pixels. 128 bits of SHA-256. */
public record ContentKey(long high, long low) {

    /** Starts a key for one kind of step. */
    public static Builder of(String kind) {
        return new Builder().text(kind);
    }

    @Override
    public String toString() {
        return String.format("%016x%016x", high, low);
    }

    /** Collects the numbers of a step; the order counts. */
    public static final class Builder {
        private final MessageDigest digest;
        private final ByteBuffer eight = ByteBuffer.allocate(8);

        private Builder() {
            try {
                digest = MessageDigest.getInstance("SHA-256");
            } catch (NoSuchAlgorithmException e) {
                throw new IllegalStateException("Every Java platform has SHA-256.", e);
            }
        }

        public Builder number(double value) {
            return number(Double.doubleToLongBits(value));
        }

        public Builder number(long value) {
            digest.update(eight.putLong(0, value).array());
            return this;
        }

        public Builder numbers(double[] values) {
            number((long) values.length);
            ByteBuffer all = ByteBuffer.allocate(values.length * 8);
            for (double v : values) {
                all.putDouble(v);
            }
            digest.update(all.array());
            return this;
        }

        public Builder text(String text) {
            byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
            number((long) bytes.length);
            digest.update(bytes);
            return this;
        }

        public Builder region(Region region) {
            return number(region.x()).number(region.y()).number(region.width()).number(region.height());
        }

        public Builder map(Affine m) {
            return number(m.a())
                    .number(m.b())
                    .number(m.c())
                    .number(m.d())
                    .number(m.e())
                    .number(m.f());
        }

        public Builder step(Step step) {
            return number(step.key().high).number(step.key().low);
        }

        public ContentKey key() {
            ByteBuffer hash = ByteBuffer.wrap(digest.digest());
            return new ContentKey(hash.getLong(), hash.getLong());
        }
    }
}
