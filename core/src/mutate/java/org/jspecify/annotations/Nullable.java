package org.jspecify.annotations;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * Stands in for the annotation of this name while lines are broken one by one: it leaves no trace in the class. The machine does
 * not take another version of a record whose parts carry annotations, so that none of its lines could be broken.
 */
@Target(ElementType.TYPE_USE)
@Retention(RetentionPolicy.SOURCE)
public @interface Nullable {}
