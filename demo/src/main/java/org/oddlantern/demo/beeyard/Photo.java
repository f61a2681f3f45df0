package org.oddlantern.demo.beeyard;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Polygon;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.imageio.ImageIO;

/** Draws what stands for the photo of a comb. */
final class Photo {

  private static final int WIDTH = 240;
  private static final int HEIGHT = 150;
  private static final int RADIUS = 20;

  private Photo() {}

  static byte[] png() {
    BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = image.createGraphics();
    pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
    pen.setColor(new Color(0x3a2d12));
    pen.fillRect(0, 0, WIDTH, HEIGHT);
    pen.setStroke(new BasicStroke(3));
    double step = RADIUS * Math.sqrt(3);
    for (int row = 0; row * RADIUS * 1.5 < HEIGHT + RADIUS; row++) {
      for (int column = 0; column * step < WIDTH + step; column++) {
        cell(
            pen,
            column * step + (row % 2) * step / 2,
            row * RADIUS * 1.5,
            (row * 7 + column * 3) % 5);
      }
    }
    pen.dispose();
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    try {
      ImageIO.write(image, "png", bytes);
    } catch (IOException e) {
      throw new UncheckedIOException("the photo cannot be drawn: " + e.getMessage(), e);
    }
    return bytes.toByteArray();
  }

  private static void cell(Graphics2D pen, double x, double y, int shade) {
    Polygon cell = new Polygon();
    for (int corner = 0; corner < 6; corner++) {
      double angle = Math.PI / 3 * corner + Math.PI / 6;
      cell.addPoint((int) Math.round(x + RADIUS * Math.cos(angle)), (int)
          Math.round(y + RADIUS * Math.sin(angle)));
    }
    pen.setColor(new Color(0xb0, 0x80 + shade * 12, 0x20 + shade * 6));
    pen.fillPolygon(cell);
    pen.setColor(new Color(0x6b5217));
    pen.drawPolygon(cell);
  }
}
