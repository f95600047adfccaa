package org.jollychain.server.sheet;

import java.util.List;
import org.jollychain.core.sheet.SheetProblem;

/** What is wrong with a sheet's text; nothing where it could be saved. */
public record Validation(List<SheetProblem> problems) {}
