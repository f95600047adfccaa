package org.jollychain.core.sheet;

import java.util.LinkedHashSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The condition under which a contact is made: an expression over command names with {@code & | ! (
 * )}, {@code !} binding closest and {@code |} least. The empty condition always holds.
 */
public final class MadeWhen {

  public static final MadeWhen ALWAYS = new MadeWhen("", Set.of(), on -> true);

  private static final Pattern TOKEN = Pattern.compile("\\s*([a-z][a-z0-9-]*|[&|!()])\\s*");

  private final String text;
  private final Set<String> commands;
  private final Predicate<Set<String>> condition;

  private MadeWhen(String text, Set<String> commands, Predicate<Set<String>> condition) {
    this.text = text;
    this.commands = commands;
    this.condition = condition;
  }

  /**
   * Reads an expression.
   *
   * @throws IllegalArgumentException when it does not parse; the message says where
   */
  public static MadeWhen parse(String text) {
    return new Parser(text).parse();
  }

  /** True when the contact is made with these commands given. */
  public boolean holds(Set<String> on) {
    return condition.test(on);
  }

  /** The commands it depends on. */
  public Set<String> commands() {
    return commands;
  }

  @Override
  public String toString() {
    return text;
  }

  /**
   * Recursive descent: or := and {'|' and}; and := not {'&' not}; not := '!' not | '(' or ')' |
   * name.
   */
  private static final class Parser {
    private static final int DEEPEST = 20;
    private final String text;
    private final Matcher tokens;
    private final Set<String> names = new LinkedHashSet<>();
    private String token = "";
    private int at;
    private int depth;

    Parser(String text) {
      this.text = text;
      this.tokens = TOKEN.matcher(text);
      advance();
    }

    MadeWhen parse() {
      Predicate<Set<String>> condition = or();
      if (!token.isEmpty()) {
        throw wrong("\"" + token + "\" is not expected here");
      }
      return new MadeWhen(text.strip(), Set.copyOf(new TreeSet<>(names)), condition);
    }

    private Predicate<Set<String>> or() {
      Predicate<Set<String>> left = and();
      while (taken("|")) {
        left = left.or(and());
      }
      return left;
    }

    private Predicate<Set<String>> and() {
      Predicate<Set<String>> left = not();
      while (taken("&")) {
        left = left.and(not());
      }
      return left;
    }

    private Predicate<Set<String>> not() {
      if (++depth > DEEPEST) {
        throw wrong("nested too deeply");
      }
      try {
        if (taken("!")) {
          return not().negate();
        }
        if (taken("(")) {
          Predicate<Set<String>> inner = or();
          if (!taken(")")) {
            throw wrong("\")\" is missing");
          }
          return inner;
        }
        String name = token;
        if (name.isEmpty() || !Character.isLetter(name.charAt(0))) {
          throw wrong("a command is missing");
        }
        names.add(name);
        advance();
        return on -> on.contains(name);
      } finally {
        depth--;
      }
    }

    private boolean taken(String wanted) {
      boolean here = token.equals(wanted);
      if (here) {
        advance();
      }
      return here;
    }

    private void advance() {
      int from = at;
      if (from >= text.length()) {
        token = "";
      } else if (tokens.region(from, text.length()).lookingAt()) {
        token = tokens.group(1);
        at = tokens.end();
      } else {
        throw wrong("\"" + text.charAt(from) + "\" is not expected here");
      }
    }

    private IllegalArgumentException wrong(String what) {
      return new IllegalArgumentException(
          "in \"%s\" %s; write commands joined by & | ! ( ), like \"door-shut & !pause\""
              .formatted(text, what));
    }
  }
}
