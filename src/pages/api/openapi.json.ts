import { toJsonSchema } from '@valibot/to-json-schema';
import type { APIRoute } from 'astro';
import { AnswerRequest } from '../../core/question/answer-request';
import { json } from '../../server/problem';

const problemSchema = {
  type: 'object',
  required: ['title', 'status', 'detail'],
  properties: {
    title: { type: 'string' },
    status: { type: 'integer' },
    detail: { type: 'string', description: 'What is wrong and how to mend it, the path of the field first.' },
    issues: {
      type: 'array',
      items: { type: 'object', properties: { path: { type: 'string' }, message: { type: 'string' } } },
    },
  },
};

/** The description of the stateless interface, its request the very schema that checks it. */
export const GET: APIRoute = () =>
  json({
    openapi: '3.1.0',
    info: { title: 'Divide', version: '0.1.0', description: 'Question and readings in, answer out.' },
    paths: {
      '/api/answer': {
        post: {
          summary: 'Answer a question from the readings sent with it; nothing is kept.',
          requestBody: {
            required: true,
            content: {
              'application/json': { schema: toJsonSchema(AnswerRequest, { errorMode: 'ignore', typeMode: 'input' }) },
            },
          },
          responses: {
            200: {
              description:
                'The answer: groups, comparison (or the reason why there is none), checks, working, and the sentences for a paper.',
              content: {
                'application/json': {
                  schema: {
                    type: 'object',
                    required: ['version', 'answer', 'checks', 'working', 'words'],
                    properties: {
                      version: { type: 'integer', description: 'Grows when a field changes its meaning or goes.' },
                      answer: { type: 'object', required: ['question', 'groups', 'comparison'] },
                      checks: { type: 'array', items: { type: 'object', required: ['about', 'verdict'] } },
                      working: { type: 'array', items: { type: 'object', required: ['title', 'steps'] } },
                      words: { type: 'object' },
                    },
                  },
                },
              },
            },
            422: {
              description: 'Not understood, or not possible; in words.',
              content: { 'application/problem+json': { schema: problemSchema } },
            },
          },
        },
      },
    },
  });
