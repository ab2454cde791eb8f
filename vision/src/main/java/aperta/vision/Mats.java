package aperta.vision;

import aperta.core.geometry.Homography;
import java.lang.ref.Reference;
import java.util.ArrayList;
import java.util.List;
import org.opencv.core.CvType;
import org.opencv.core.Mat;
import org.opencv.core.MatOfByte;
import org.opencv.core.MatOfFloat;
import org.opencv.core.MatOfPoint;
import org.opencv.core.MatOfPoint2f;
import org.opencv.core.Point;
import org.opencv.core.Rect;
import org.opencv.core.Scalar;

/**
 * The library's matrices that one piece of work needs, freed when it is done. A finalizer of the library's frees a matrix as
 * soon as nothing in Java refers to it, and that can be while native code is still working on it; what is held here can't be
 * freed so early. Therefore nothing else makes any.
 */
final class Mats implements AutoCloseable {
    private final List<Mat> held = new ArrayList<>();

    /** One that the library has made. */
    <M extends Mat> M hold(M mat) {
        held.add(mat);
        return mat;
    }

    /** For what the library writes into. */
    Mat empty() {
        return hold(new Mat());
    }

    MatOfPoint2f noPoints() {
        return hold(new MatOfPoint2f());
    }

    MatOfPoint noWholePoints() {
        return hold(new MatOfPoint());
    }

    MatOfByte noBytes() {
        return hold(new MatOfByte());
    }

    MatOfFloat noFloats() {
        return hold(new MatOfFloat());
    }

    MatOfPoint2f points(List<Point> points) {
        MatOfPoint2f all = noPoints();
        all.fromList(points);
        return all;
    }

    Mat zeros(int width, int height, int type) {
        return hold(new Mat(height, width, type, new Scalar(0)));
    }

    Mat floats(int width, int height, float[] values) {
        Mat m = hold(new Mat(height, width, CvType.CV_32F));
        m.put(0, 0, values);
        return m;
    }

    /** @param type of bytes, of one channel or of several */
    Mat bytes(int width, int height, int type, byte[] values) {
        Mat m = hold(new Mat(height, width, type));
        m.put(0, 0, values);
        return m;
    }

    Mat plane(Plane plane) {
        return floats(plane.width(), plane.height(), plane.value());
    }

    /** In three channels of floats. */
    Mat colours(Colours c) {
        int n = c.width() * c.height();
        float[] v = new float[3 * n];
        for (int i = 0; i < n; i++) {
            for (int k = 0; k < 3; k++) {
                v[3 * i + k] = c.channels()[k][i];
            }
        }
        Mat m = hold(new Mat(c.height(), c.width(), CvType.CV_32FC3));
        m.put(0, 0, v);
        return m;
    }

    Mat homography(Homography h) {
        Mat m = hold(new Mat(3, 3, CvType.CV_64F));
        for (int i = 0; i < 9; i++) {
            m.put(i / 3, i % 3, h.m()[i] / h.m()[8]);
        }
        return m;
    }

    static Homography homography(Mat m) {
        double[] all = new double[9];
        for (int i = 0; i < 9; i++) {
            all[i] = m.get(i / 3, i % 3)[0];
        }
        return new Homography(all);
    }

    /** A part of one, which shares its numbers. */
    Mat part(Mat of, int width, int height) {
        return hold(of.submat(new Rect(0, 0, width, height)));
    }

    /** A matrix with all its numbers in a row. */
    Mat copy(Mat of) {
        Mat to = empty();
        of.copyTo(to);
        return to;
    }

    @Override
    public void close() {
        held.forEach(Mat::release);
        Reference.reachabilityFence(held);
    }
}
