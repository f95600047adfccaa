package org.jollychain.server.account;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.apache.commons.codec.digest.DigestUtils;
import org.jollychain.server.platform.RefusedException;
import org.jollychain.server.platform.Role;
import org.jollychain.server.platform.Stamp;
import org.jollychain.server.platform.Stamps;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * A second factor: the time-based codes of RFC 6238 (six digits, 30 s, HMAC-SHA-1, as the usual
 * programs for it have them). The code of the step before and after is taken too, since clocks
 * differ; none is taken twice. Who lost the device has eight recovery codes, each good once, or
 * asks a lead.
 */
@Service
class SecondFactorService {

  private static final int SECRET_BYTES = 20;
  private static final int RECOVERY_CODES = 8;
  private static final int RECOVERY_BYTES = 5;
  private static final int LATE_STEPS = 1;

  private final SecondFactorMapper factors;
  private final Stamps stamps;
  private final Clock clock;
  private final TimeBasedOneTimePasswordGenerator codes = new TimeBasedOneTimePasswordGenerator();
  private final SecureRandom random = new SecureRandom();
  private final Base32 base32 = new Base32();

  SecondFactorService(SecondFactorMapper factors, Stamps stamps, Clock clock) {
    this.factors = factors;
    this.stamps = stamps;
    this.clock = clock;
  }

  /**
   * A factor that is being set up.
   *
   * @param secret to be typed where no camera is at hand
   * @param uri the same as authenticator programs read it
   * @param path the uri as a QR code: an SVG path of unit squares
   * @param size of the code's side, in squares
   */
  record FactorSetup(String secret, String uri, String path, int size) {}

  /** Whether everybody of the shop needs one. */
  boolean required() {
    return factors.required();
  }

  /** Asks everybody for one, or no longer. */
  @Transactional
  void require(boolean required) {
    Stamp now = stamps.now();
    now.require(Role.LEAD, "Asking everybody for a second factor");
    factors.require(required, now);
  }

  /**
   * Begins to set up one's own. It is not asked for until it was proved by a code.
   *
   * @throws RefusedException when there is one already
   */
  @Transactional
  FactorSetup begin(String login) {
    byte[] bytes = new byte[SECRET_BYTES];
    random.nextBytes(bytes);
    String secret = base32.encodeToString(bytes).replace("=", "");
    if (factors.begin(login, secret) == 0) {
      throw RefusedException.conflict(
          "You have a second factor already; take that one off before you set up another.");
    }
    String uri =
        "otpauth://totp/Jolly%%20Chain:%s?secret=%s&issuer=Jolly%%20Chain"
            .formatted(URLEncoder.encode(login, StandardCharsets.UTF_8), secret);
    BitMatrix squares = squares(uri);
    return new FactorSetup(secret, uri, path(squares), squares.getWidth());
  }

  /**
   * From now on it is asked for.
   *
   * @return the recovery codes, told this once
   * @throws RefusedException when the code is not that of the secret
   */
  @Transactional
  List<String> confirm(String login, String code) {
    String secret =
        factors
            .begun(login)
            .orElseThrow(() -> RefusedException.conflict("Begin to set one up first."));
    if (!acceptsCode(login, code, secret)) {
      throw RefusedException.unprocessable(
          "code: that is not the code of this secret; type the six digits that are shown now, and see that the clock of the device is right.");
    }
    factors.confirm(login, stamps.now());
    factors.forgetRecovery(login);
    List<String> made = Stream.generate(this::recoveryCode).limit(RECOVERY_CODES).toList();
    made.forEach(m -> factors.recovery(login, hash(m)));
    return made;
  }

  /**
   * Whether a code lets in now: that of the device, or a recovery code, which is then spent.
   *
   * @param code as it was typed
   */
  @Transactional
  public boolean accepts(String login, String code) {
    String secret = factors.secret(login).orElse("");
    return acceptsCode(login, code, secret) || factors.useRecovery(login, hash(code)) == 1;
  }

  private boolean acceptsCode(String login, String code, String secret) {
    String digits = code.replaceAll("\\s", "");
    long now = Instant.now(clock).getEpochSecond() / codes.getTimeStep().toSeconds();
    return !secret.isEmpty()
        && IntStream.rangeClosed(-LATE_STEPS, LATE_STEPS)
            .mapToLong(late -> now + late)
            .filter(step -> digits.equals(at(step, secret)))
            .anyMatch(step -> factors.use(login, step) == 1);
  }

  private String at(long step, String secret) {
    try {
      return codes.generateOneTimePasswordString(
          new SecretKeySpec(base32.decode(secret), codes.getAlgorithm()),
          Instant.ofEpochSecond(step * codes.getTimeStep().toSeconds()),
          Locale.ROOT);
    } catch (InvalidKeyException e) {
      throw new IllegalStateException(e);
    }
  }

  /** Takes somebody's off: one's own, or as a lead for who lost the device. */
  @Transactional
  void takeOff(String login) {
    factors.takeOff(login, stamps.now());
    factors.forgetRecovery(login);
  }

  private String recoveryCode() {
    byte[] bytes = new byte[RECOVERY_BYTES];
    random.nextBytes(bytes);
    String code = base32.encodeToString(bytes).toLowerCase(Locale.ROOT);
    return code.substring(0, 4) + "-" + code.substring(4);
  }

  private static String hash(String code) {
    return DigestUtils.sha256Hex(code.toLowerCase(Locale.ROOT).replaceAll("[^a-z2-7]", ""));
  }

  private static BitMatrix squares(String uri) {
    try {
      return new QRCodeWriter().encode(uri, BarcodeFormat.QR_CODE, 0, 0);
    } catch (WriterException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String path(BitMatrix squares) {
    StringBuilder path = new StringBuilder();
    for (int y = 0; y < squares.getHeight(); y++) {
      for (int x = 0; x < squares.getWidth(); x++) {
        if (squares.get(x, y)) {
          path.append('M').append(x).append(' ').append(y).append("h1v1h-1z");
        }
      }
    }
    return path.toString();
  }
}
