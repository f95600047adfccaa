package org.jollychain.server.sheet;

import java.util.List;
import org.jollychain.core.text.TextProblem;

/** What is wrong with a sheet's text; nothing where it could be saved. */
public record Validation(List<TextProblem> problems) {}
