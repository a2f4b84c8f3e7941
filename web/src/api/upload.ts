import { ApiError, type Problem, token } from './client';

/**
 * Sends a file as the body of a request and tells how far it is, which fetch cannot.
 *
 * @param progress called with the share that is sent, 0 to 1
 */
export function upload<T>(path: string, file: File, progress: (share: number) => void): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open('POST', path);
    request.setRequestHeader('Content-Type', 'application/octet-stream');
    request.setRequestHeader('Accept', 'application/json');
    request.setRequestHeader('X-XSRF-TOKEN', token());
    request.upload.onprogress = (event) => {
      if (event.lengthComputable) progress(event.loaded / event.total);
    };
    request.onerror = () =>
      reject(new Error('The connection broke while the file was sent. Try again.'));
    request.onload = () => {
      if (request.status < 300) resolve(JSON.parse(request.responseText) as T);
      else reject(new ApiError(problem(request)));
    };
    request.send(file);
  });
}

function problem(request: XMLHttpRequest): Problem {
  try {
    return { ...JSON.parse(request.responseText), status: request.status };
  } catch {
    return {
      title: 'Failed',
      detail: 'The server did not take the file. Try again, or a smaller one.',
      status: request.status,
    };
  }
}
