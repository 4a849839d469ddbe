/** What is complained of and what is found. Which fault it points to is inferred here later. */
export * from './complaints'
export * from './findings'
