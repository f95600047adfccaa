package org.jollychain.server.policy;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.jollychain.core.plan.Method;
import org.jollychain.core.plan.Order;
import org.jollychain.core.plan.Policy;
import org.jollychain.core.plan.TimeCosts;
import org.jspecify.annotations.Nullable;

/**
 * How a job is to be done; what is left out is as usual.
 *
 * @param exposureMinutes what a live measurement is to cost beside its minutes
 * @param unreachable points no probe gets to
 * @param skipped ids of proposals not to be made again
 * @param opened accesses that are open
 */
public record PolicyItem(
    @Nullable Method method,
    @Nullable Order order,
    @Nullable @DecimalMin("0") @DecimalMax("1000") Double exposureMinutes,
    @Nullable @Valid Minutes minutes,
    @Nullable @Size(max = 400) List<@NotBlank @Size(max = 40) String> unreachable,
    @Nullable @Size(max = 2000) List<@NotBlank @Size(max = 200) String> skipped,
    @Nullable @Size(max = 100) List<@NotBlank @Size(max = 80) String> opened) {

  /** The usual way in everything. */
  public static final PolicyItem USUAL = new PolicyItem(null, null, null, null, null, null, null);

  /** Minutes of each action, as {@link TimeCosts} has them. */
  public record Minutes(
      @DecimalMin("0") @DecimalMax("1000") double probe,
      @DecimalMin("0") @DecimalMax("1000") double clamp,
      @DecimalMin("0") @DecimalMax("1000") double question,
      @DecimalMin("0") @DecimalMax("1000") double look,
      @DecimalMin("0") @DecimalMax("1000") double isolate,
      @DecimalMin("0") @DecimalMax("1000") double energise,
      @DecimalMin("0") @DecimalMax("1000") double change,
      @DecimalMin("0") @DecimalMax("1000") double warm,
      @DecimalMin("0") @DecimalMax("1000") double lift) {}

  /** The same with what was left out said as usual. */
  public PolicyItem complete() {
    TimeCosts usual = TimeCosts.USUAL;
    return new PolicyItem(
        method == null ? Method.MIXED : method,
        order == null ? Order.BEST_VALUE : order,
        exposureMinutes == null ? usual.exposure() : exposureMinutes,
        minutes == null
            ? new Minutes(
                usual.probe(),
                usual.clamp(),
                usual.question(),
                usual.look(),
                usual.isolate(),
                usual.energise(),
                usual.change(),
                usual.warm(),
                usual.lift())
            : minutes,
        unreachable,
        skipped,
        opened);
  }

  /** For the planner. */
  public Policy policy(boolean livePermit) {
    PolicyItem all = complete();
    Minutes m = Objects.requireNonNull(all.minutes);
    TimeCosts tariff =
        new TimeCosts(
            m.probe,
            m.clamp,
            m.question,
            m.look,
            m.isolate,
            m.energise,
            m.change,
            m.warm,
            m.lift,
            Objects.requireNonNull(all.exposureMinutes));
    return new Policy(
        Objects.requireNonNull(all.method),
        Objects.requireNonNull(all.order),
        livePermit,
        tariff,
        set(unreachable),
        set(skipped),
        set(opened));
  }

  private static Set<String> set(@Nullable List<String> items) {
    return items == null ? Set.of() : Set.copyOf(items);
  }
}
