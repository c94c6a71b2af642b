import fc from 'fast-check'

// What a property did not hold for is nothing without what was expected: it is told in the report itself.
fc.configureGlobal({ ...fc.readConfigureGlobal(), includeErrorInReport: true })
