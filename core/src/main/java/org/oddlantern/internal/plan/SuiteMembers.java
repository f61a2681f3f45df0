package org.oddlantern.internal.plan;

import java.util.List;

/**
 * What a class has, with what it inherits, each in source order.
 *
 * @param cases its cases
 * @param supplies its supplies
 * @param samples its methods of samples
 * @param tidyUps its methods that put values back
 */
record SuiteMembers(
    List<CaseDefinition> cases,
    List<SupplyDefinition> supplies,
    List<SamplesDefinition> samples,
    List<TidyUpDefinition> tidyUps) {}
