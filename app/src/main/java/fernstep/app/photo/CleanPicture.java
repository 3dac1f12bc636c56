package fernstep.app.photo;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.exif.ExifDirectoryBase;
import com.drew.metadata.exif.ExifIFD0Directory;
import fernstep.core.measure.Reason;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** A picture drawn anew from its pixels alone: whatever else the file carried is left behind. */
record CleanPicture(int widthPx, int heightPx, byte[] jpeg) {
    static final int LARGEST_BYTES = 10 * 1024 * 1024;
    private static final int LONGEST_SIDE_PX = 1600;
    private static final int LARGEST_SIDE_READ_PX = 12_000;
    private static final int PIXELS_IN_A_MEGAPIXEL = 1_000_000;
    private static final long MOST_PIXELS = 30L * PIXELS_IN_A_MEGAPIXEL;
    /** Pictures are the one thing that fills the memory: they are read one after the other. */
    private static final ReentrantLock ONE_AT_A_TIME = new ReentrantLock();

    private static final int UPRIGHT = 1;
    private static final Set<String> KINDS = Set.of("jpeg", "png");

    /** Why a file is refused, in words for the person who chose it. */
    static final class Refused extends Exception {
        private static final long serialVersionUID = 1L;

        private final Reason why;

        Refused(String key, Object... facts) {
            super(key);
            this.why = Reason.of(key, facts);
        }

        Reason why() {
            return why;
        }
    }

    /** @throws Refused unless the content itself is a JPEG or PNG of up to 10 MB, 12,000 pixels a side and 30 megapixels */
    static CleanPicture of(byte[] file) throws Refused {
        if (file.length > LARGEST_BYTES) {
            throw new Refused("photo.tooLarge", LARGEST_BYTES >> 20);
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw new Refused("photo.notAPicture");
            }
            ImageReader reader = readers.next();
            try {
                if (!KINDS.contains(reader.getFormatName().toLowerCase(java.util.Locale.ROOT))) {
                    throw new Refused("photo.otherKind");
                }
                reader.setInput(in, true, true);
                if (Math.max(reader.getWidth(0), reader.getHeight(0)) > LARGEST_SIDE_READ_PX) {
                    throw new Refused("photo.tooWide", LARGEST_SIDE_READ_PX);
                }
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                if (pixels > MOST_PIXELS) {
                    throw new Refused("photo.tooManyPixels", MOST_PIXELS / PIXELS_IN_A_MEGAPIXEL);
                }
                ONE_AT_A_TIME.lock();
                try {
                    return drawn(upright(read(reader), turn(file)));
                } finally {
                    ONE_AT_A_TIME.unlock();
                }
            } finally {
                reader.dispose();
            }
        } catch (IOException e) {
            throw new Refused("photo.damaged");
        }
    }

    /** No finer than twice what is kept: a large photo is never in memory whole. */
    private static BufferedImage read(ImageReader reader) throws IOException {
        int longest = Math.max(reader.getWidth(0), reader.getHeight(0));
        int every = Math.max(1, longest / (2 * LONGEST_SIDE_PX));
        ImageReadParam param = reader.getDefaultReadParam();
        param.setSourceSubsampling(every, every, 0, 0);
        return reader.read(0, param);
    }

    /** How the camera was held, 1 (upright) to 8, as Exif numbers it; 1 where nothing is said. */
    private static int turn(byte[] file) {
        try {
            ExifIFD0Directory exif = ImageMetadataReader.readMetadata(new ByteArrayInputStream(file))
                    .getFirstDirectoryOfType(ExifIFD0Directory.class);
            Integer turn = exif == null ? null : exif.getInteger(ExifDirectoryBase.TAG_ORIENTATION);
            return turn == null ? UPRIGHT : turn;
        } catch (ImageProcessingException | IOException e) {
            return UPRIGHT;
        }
    }

    /** Camera phones store the pixels as the sensor lay and say in a mark how to turn them; the mark is left behind. */
    private static BufferedImage upright(BufferedImage from, int turn) {
        int quarters =
                switch (turn) {
                    case 3 -> 2;
                    case 6 -> 1;
                    case 8 -> 3;
                    default -> 0;
                };
        if (quarters == 0) {
            return from;
        }
        AffineTransform turned =
                AffineTransform.getQuadrantRotateInstance(quarters, from.getWidth() / 2.0, from.getHeight() / 2.0);
        boolean swaps = quarters % 2 == 1;
        int width = swaps ? from.getHeight() : from.getWidth();
        int height = swaps ? from.getWidth() : from.getHeight();
        AffineTransform centred = AffineTransform.getTranslateInstance(
                (width - from.getWidth()) / 2.0, (height - from.getHeight()) / 2.0);
        centred.concatenate(turned);
        BufferedImage to = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = to.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, width, height);
        g.drawImage(from, centred, null);
        g.dispose();
        return to;
    }

    private static CleanPicture drawn(BufferedImage from) throws IOException {
        double scale = Math.min(1, (double) LONGEST_SIDE_PX / Math.max(from.getWidth(), from.getHeight()));
        int width = (int) Math.max(1, Math.round(from.getWidth() * scale));
        int height = (int) Math.max(1, Math.round(from.getHeight() * scale));
        BufferedImage to = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = to.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.drawImage(from, 0, 0, width, height, Color.WHITE, null);
        g.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(to, "jpeg", out);
        return new CleanPicture(width, height, out.toByteArray());
    }
}
