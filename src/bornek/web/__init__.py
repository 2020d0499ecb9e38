"""Flask: routes by resource, input schemas, problems."""
