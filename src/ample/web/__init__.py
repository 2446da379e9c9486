"""HTTP: app factory, errors, security, OpenAPI, the operations, the built front end."""
